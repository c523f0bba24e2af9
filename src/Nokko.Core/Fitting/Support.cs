namespace Nokko.Core.Fitting;

/// <summary>Something that holds a member while its joints are open.</summary>
/// <param name="Under">What it holds.</param>
/// <param name="Gives">In which way.</param>
/// <param name="Said">What it is, as said in a bay.</param>
public sealed record Support(Member Under, Holds Gives, string Said);

/// <summary>A support that must be there before a member loses what holds it.</summary>
/// <param name="Support">The support.</param>
/// <param name="Title">What is done, in a few words.</param>
/// <param name="Do">How.</param>
/// <param name="Caution">What happens without it.</param>
/// <param name="Tools">What it takes.</param>
internal sealed record SupportNeed(
    Support Support,
    string Title,
    string Do,
    string Caution,
    IReadOnlyList<string> Tools
)
{
    /// <summary>What must be put under a member that is about to lose something.</summary>
    /// <param name="member">The member.</param>
    /// <param name="missing">What it is about to lose.</param>
    /// <remarks>Source: docs/computation/job-card.md#what-holds-it.</remarks>
    public static SupportNeed For(Member member, Holds missing)
    {
        var carry = (missing & Holds.Carries) != 0;
        return member.Kind switch
        {
            MemberKind.Axle when carry => new(
                new(member, Holds.Carries, "a jack under each end of the axle"),
                "Axle on jacks before its last hold goes",
                "A jack under each end of the axle, just touching. What still connects it says where it goes.",
                "With its last shock or U-bolt out only the jacks know where the axle is. Nobody under it, and no hose or lead carries weight.",
                ["two axle jacks"]
            ),
            MemberKind.Axle => new(
                new(member, Holds.Locates, "straps from axle to frame, both ways"),
                "Axle strapped before it can go sideways",
                "Ratchet straps from the axle to the frame, to both sides and fore and aft, hand tight.",
                "An axle that nothing locates walks off its jacks. Nobody in line with a strap.",
                ["ratchet straps"]
            ),
            MemberKind.LowerArm => new(
                new(
                    member,
                    (missing & Holds.Locates) == 0 ? Holds.Carries : Holds.All,
                    "a jack under the outer end of the lower arm"
                ),
                "Arm on a jack before the last bolt is out",
                "A jack under the outer end of the lower arm, just touching, a block of wood between.",
                "The last bolt alone holds the arm: let it down slowly. Nobody under it, and no hose or lead carries weight.",
                ["floor jack"]
            ),
            MemberKind.TrailingArm => new(
                new(
                    member,
                    (missing & Holds.Locates) == 0 ? Holds.Carries : Holds.All,
                    "a jack under the trailing arm, strapped to it"
                ),
                "Trailing arm on a jack before the last bolt is out",
                "A jack under the arm at its wheel end, just touching.",
                "The coil-over alone holds the arm with its hub: let it down slowly. No hose or lead carries weight.",
                ["floor jack"]
            ),
            MemberKind.Upright => new(
                new(member, Holds.All, "a strap from the upright to the frame"),
                "Upright tied up: no hose or lead carries weight",
                "Tie the upright to the frame. Swing it gently to where it will hang and see slack in the hose and the lead.",
                "A hose or a lead that carries the upright is damaged inside, where nobody sees it.",
                ["hook or strap for the upright"]
            ),
            MemberKind.Differential => new(
                new(member, Holds.All, "a jack of its own under the differential, strapped"),
                "Differential on a jack of its own",
                "A jack with a saddle under the differential, strapped to it.",
                "It tips towards its heavy side when the last mount is out. Watch both half-shafts: joints bind before boots tear.",
                ["differential jack", "ratchet strap"]
            ),
            MemberKind.Subframe => new(
                new(member, Holds.All, "a jack with a board under the subframe"),
                "Subframe on a jack, what sits on it held from above",
                "A wide board on the jack under the subframe. An engine, a gearbox or a rack that sits on it hangs on a bar across the bay.",
                "With the last bolt out on one side it turns about the other: one bolt stays in until its longer one is started.",
                ["jack and wide board", "engine bar where an engine sits on it"]
            ),
            MemberKind.Body => new(
                new(member, Holds.All, "a jack with a wide board under the body"),
                "Body on a wide board before its bolts are out",
                "A wide board on the jack along the sill or floor rib of the side that is lifted; no more than the pieces need.",
                "The other side's bolts keep it from sliding: loose, but in. Nobody's hand between body and frame.",
                ["jack and wide board"]
            ),
            MemberKind.Caliper => new(
                new(member, Holds.Carries, "a hook for the caliper"),
                "Caliper on its hook",
                "Hang the caliper from the coil or the frame by a hook.",
                "It never hangs on its hose: the hose is damaged inside, where nobody sees it.",
                ["caliper hook"]
            ),
            _ => throw new ArgumentOutOfRangeException(
                nameof(member),
                member,
                "Nothing holds this member."
            ),
        };
    }
}
