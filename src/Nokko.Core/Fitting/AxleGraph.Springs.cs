using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>Coil-overs, springs that stand by themselves, and shocks.</content>
internal static partial class AxleGraph
{
    /// <summary>A coil-over between the frame and what moves.</summary>
    private static IEnumerable<GraphJoint> CoilOver(Corner c, SuspensionKind kind)
    {
        var where = c.Name();
        var (strut, side) = (new Member(MemberKind.Strut, where), Members.Side(c));
        var hung =
            kind.IsLiveAxle() ? new Member(MemberKind.Axle, Corners.AxleOf(c).Said())
            : kind == SuspensionKind.TrailingArm ? new Member(MemberKind.TrailingArm, where)
            : new Member(MemberKind.LowerArm, where);
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.StrutFoot(kind),
            Kind = JointKind.BondedRubber,
            Rank = 60,
            Holds = [new(hung, strut, kind.IsLiveAxle() ? side : Holds.Carries)],
            Fasteners = [Fasteners.Of("through bolt", 1)],
            Undo = "the strut foot's bolt out (note which way it points)",
            Home = "the foot's bolt the way it pointed; it goes in by hand",
            Off = [$"{c} strut-foot bolt"],
        };
        foreach (var joint in StrutTop(c, strut, kind.IsLiveAxle() ? side : Holds.Carries))
        {
            yield return joint;
        }
    }

    private static IEnumerable<GraphJoint> StrutTop(Corner c, Member strut, Holds what)
    {
        var where = c.Name();
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.StrutTop,
            Kind = JointKind.StudPlate,
            Rank = 65,
            Holds = [new(strut, Member.Frame, what | Holds.Turn)],
            Fasteners = [Fasteners.Of("top studs", 3, newOnly: true)],
            Order = "snug all, then even rounds",
            Undo = "the top studs' nuts off, the last one with a hand under the strut",
            Home = "the top plate turned as it was marked",
            Off = [$"{c} strut top nuts"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.PlateTop,
            Kind = JointKind.StudPlate,
            Rank = 66,
            Fasteners = [Fasteners.Of("spacer studs", 3, newOnly: true)],
            Order = "snug all, then even rounds",
            Undo = "the spacer's own nuts off",
            Off = [$"{c} spacer nuts"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.CentreNut,
            Kind = JointKind.CentreNut,
            Rank = 67,
            Fasteners = [Fasteners.Of("centre nut", 1, newOnly: true)],
            OnBench = true,
            Undo = "the centre nut off, by hand tools",
            Home = "the coil's end against its stop, both ends in their seats, the mark in line",
            Off = [$"{c} strut centre nut"],
            Keeps = new(
                "Coil squeezed, loose in its seats",
                "Mark top plate, coil and foot in line. Squeeze the coil with a rated compressor, hooks opposite each other, until it turns freely; only then the centre nut.",
                "A spring let go kills. It goes along the strut, both ways: nobody stands over its ends, no impact gun on compressor or nut, and it is not left squeezed.",
                ["rated spring compressor", "hand tools for the centre nut"]
            ),
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.Collar,
            Kind = JointKind.PinchBolt,
            Rank = 68,
            Fasteners = [Fasteners.Of("lock ring or its pinch bolt", 1)],
            Undo = "threads brushed clean, the lock ring loosened",
            Home = "the lock ring against the collar",
            Off = [],
            Tools = ["spanner wrench for the collar", "wire brush"],
        };
    }

    /// <summary>A-arms whose lower one twists a bar along the vehicle; its key holds the bar's other end.</summary>
    private static IEnumerable<GraphJoint> TorsionBars(Corner c, Member holder)
    {
        var where = c.Name();
        return
        [
            .. Wishbones(c, holder),
            new GraphJoint
            {
                Where = where,
                Name = Names.Adjuster,
                Kind = JointKind.PinchBolt,
                Rank = 68,
                Fasteners = [Fasteners.Of("adjuster's lock nut or lock bolt", 1)],
                Undo =
                    "the adjuster bolt's thread brushed clean and oiled, how far it stands out measured",
                Home = "its lock home, the bolt where the turns left it",
                Off = [],
                Tools = ["wire brush", "caliper"],
            },
            new GraphJoint
            {
                Where = where,
                Name = Names.TorsionKey,
                Kind = JointKind.PinchBolt,
                Rank = 43,
                Fasteners = [Fasteners.Of("adjuster bolt and its block", 1)],
                Undo =
                    "the bar's ends marked in arm and key, the adjuster bolt out by counted turns, the bar slid free",
                Home =
                    "the bar's splines mark to mark, the key loaded with its tool, the adjuster in by the turns that were counted",
                Off = [$"{c} torsion-bar key, adjuster bolt and block"],
                Keeps = new(
                    "Torsion bar unloaded before its arm is opened",
                    "Arms hanging. The unloading tool takes the key's load, the adjuster bolt comes out by counted turns; then the tool is let go slowly until the bar hangs loose.",
                    "A twisted bar throws key and tool downward: rated tool only, nobody under it, no hand between key and cross member.",
                    ["torsion-bar unloading tool", "paint pen"]
                ),
            },
            .. Shocks(c, new Member(MemberKind.LowerArm, where), Holds.Carries),
        ];
    }

    /// <summary>The same joints where air takes the coil's place: it is let out first, and nothing is squeezed.</summary>
    private static IEnumerable<GraphJoint> OnAir(GraphJoint[] joints, Axle axle) =>
        [
            .. joints
                .Where(j => j.Name is not (Names.CentreNut or Names.Collar))
                .Select(j =>
                    j.Name switch
                    {
                        Names.Seat => j with
                        {
                            Undo = "the air spring's clips off, the spring lifted out unfolded",
                            Home =
                                "bellows not twisted, both ends home in their seats, clips in; no weight on it before it holds air",
                            Off = [$"{j.Where} air spring and its clips"],
                            Tools = [],
                            Keeps = null,
                        },
                        Names.LinkBolt => j with
                        {
                            Undo = "the lower link's outer bolt out, the link let down on its jack",
                            Home = "the outer bolt in by hand, the bellows not pinched",
                            Keeps = null,
                        },
                        _ => j,
                    }
                ),
            .. Corners
                .Of(axle)
                .Select(c => new GraphJoint
                {
                    Where = c.Name(),
                    Name = Names.AirLine,
                    Kind = JointKind.Plug,
                    Rank = 8,
                    Fasteners = [Fasteners.Of("air fitting", 1)],
                    Undo = "the spring empty, its line off and capped",
                    Home =
                        "the line home to its stop; filled before weight comes on it, soapy water shows no leak",
                    Off = [$"{c} air line"],
                    Tools = ["caps for the air lines"],
                    Keeps = new(
                        "Air let out before the spring is touched",
                        "Frame on its stands or lift arms, wheels hanging. Levelling off by its own procedure, then the air let out of the spring until it is empty; only then the line.",
                        "Air under pressure throws fittings and bellows, and an axle drops when it goes: nobody under it, eyes covered, face away from the fitting.",
                        ["levelling tool or valve key"]
                    ),
                }),
        ];

    /// <summary>Seats of a spring that stands by itself.</summary>
    private static GraphJoint Seat(Corner c, int ends, StoredEnergy? keeps) =>
        new()
        {
            Where = c.Name(),
            Name = Names.Seat,
            Kind = JointKind.Seat,
            Rank = 70,
            Undo =
                "the spring's end marked against its seat, the spring lifted out with its isolators",
            Home =
                ends > 1
                    ? "isolator between coil and metal, pigtail against its stop, both ends in their seats all round"
                    : "its end in the middle of its pad",
            Off = [$"{c} spring and isolators"],
            Tools = ["paint pen"],
            Keeps = keeps,
        };

    /// <summary>A shock that stands by itself is what stops the droop.</summary>
    private static IEnumerable<GraphJoint> Shocks(Corner c, Member hung, Holds what)
    {
        var shock = new Member(MemberKind.Shock, c.Name());
        yield return new GraphJoint
        {
            Where = c.Name(),
            Name = Names.LowerShock,
            Kind = JointKind.BondedRubber,
            Rank = 45,
            Holds = [new(hung, shock, what)],
            Fasteners = [Fasteners.Of("shock bolt", 1)],
            Undo = "the lower shock bolt out",
            Home =
                "the shock drawn out by hand until its bolt passes; a gas shock is held with a strap",
            Off = [$"{c} lower shock bolt"],
        };
        yield return new GraphJoint
        {
            Where = c.Name(),
            Name = Names.UpperShock,
            Kind = JointKind.BondedRubber,
            Rank = 46,
            Holds = [new(shock, Member.Frame, what)],
            Fasteners = [Fasteners.Of("shock bolt or stem nut", 1)],
            Undo = "the upper shock mount undone (hold the stem, turn the nut)",
            Off = [$"{c} shock and its upper nut"],
        };
    }
}
