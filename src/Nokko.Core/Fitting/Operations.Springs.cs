using System.Globalization;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>Operations at the spring of one corner: strut and its ends, coil, leaf, shock and stop.</content>
internal sealed partial class Operations
{
    private Operation OfSpring(Operation here, CornerChange change)
    {
        var c = change.Corner;
        var (where, ends, sus) = (c.Name(), Corners.AxleOf(c).Said(), KindAt(c));
        return here.Kind switch
        {
            OperationKind.Shock => here with
            {
                Opens = At(where, Names.LowerShock, Names.UpperShock),
                Work = ["A gas shock stays strapped until both ends are in."],
                Minutes = (10, 5, 10),
            },
            OperationKind.StrutFoot => here with
            {
                Opens =
                [
                    .. At(
                        where,
                        Names.AirLine,
                        Names.Hose,
                        Names.Lead,
                        Names.SwayLink(sus),
                        Names.StrutFoot(sus)
                    ),
                ],
                Marks = ["which way the bolt of the strut foot points"],
                Work = ["The top stays on: the spacer goes between the foot and what carries it."],
                Disturbs = Moves(sus),
                Spread = sus.IsLiveAxle() ? Spread.Together : Spread.EachSide,
                Minutes = (15, 10, 15),
            },
            OperationKind.TopPlate => here with
            {
                Makes = change.Has(PartKind.StrutTopSpacer, after: true)
                    ? At(where, Names.PlateTop)
                    : [],
                Ends = change.Has(PartKind.StrutTopSpacer, after: false)
                    ? At(where, Names.PlateTop)
                    : [],
                Work =
                [
                    "Clean both faces. The strut's studs must end inside the plate's recess: try it on the bench; a stud is cut only with the owner's consent, after a trial fit.",
                ],
                Irreversible = CutStuds(change) is { } cut
                    ? $"{c}: the strut's studs are cut to {LengthText.Both(cut.DistanceMm)} above its plate. A stud that was cut does not grow back."
                    : null,
                Cut = CutStuds(change),
                TrialFit =
                    "A trial fit first: the plate on the strut, each stud against the recess. A nut on each stud, the stud marked at its length, cut, and the nut turned off over the cut thread. Eyes covered, sparks kept off rubber and coil. The owner has agreed, with name and time.",
                Minutes = (0, 10, 5),
            },
            OperationKind.StrutOpened => here with
            {
                Opens = At(where, Names.CentreNut),
                Marks = ["top plate, coil and foot in line"],
                Minutes = (15, 15, 5),
                People = 2,
            },
            OperationKind.Collar => here with
            {
                Opens = At(where, Names.Collar),
                Marks = ["the collar's height on its threads, by caliper"],
                Work =
                [
                    "Count the turns, both sides alike. The spring must turn by hand first: if it does not, the load is still on it.",
                ],
                Disturbs = Moves(sus),
                Minutes = (5, 15, 3),
            },
            OperationKind.TorsionAdjuster => here with
            {
                Opens = At(where, Names.Adjuster),
                Marks = ["how far the adjuster bolt stands out, by caliper"],
                Work = [Turning(change)],
                Disturbs = Disturbs.Alignment,
                WheelOff = false,
                Minutes = (5, 10, 3),
            },
            OperationKind.SpringOnArm => here with
            {
                Opens = At(
                    where,
                    Names.AirLine,
                    Names.Hose,
                    Names.Lead,
                    Names.SwayLink(sus),
                    Names.LowerShock,
                    Names.LinkBolt,
                    Names.Seat
                ),
                Marks = [SitsHow(Corners.AxleOf(c))],
                Work = change.Parts.Any(p => p.Kind == PartKind.BumpStopExtension)
                    ? ["The bump-stop extension goes in before the spring."]
                    : [],
                Disturbs = Moves(sus) | Disturbs.Sensors,
                Minutes = (20, 15, 20),
                People = 2,
            },
            OperationKind.BumpStop => here with
            {
                Opens = At(where, Names.BumpStop),
                Work = ["It goes in before the spring, where it sits inside the coil."],
                Minutes = (5, 5, 5),
            },
            OperationKind.Block => here with
            {
                Opens =
                [
                    // Only a block wants the axle lower than its shocks let it.
                    .. change.Parts.Any(p => p.Kind == PartKind.Block)
                        ?
                        [
                            .. At(where, Names.Hose, Names.Lead, Names.LowerShock),
                            .. At(ends, Names.Breather),
                        ]
                        : Array.Empty<string>(),
                    .. At(where, Names.UBolts),
                ],
                Marks = ["which way the centre pin and every taper point"],
                Work = change.Has(PartKind.Block, after: true)
                    ? ["One block only, never two."]
                    : [],
                Spread = Spread.OneSide,
                Minutes = (20, 10, 15),
                People = 2,
            },
            OperationKind.Shackle => here with
            {
                Opens = At(where, Names.ShackleEye, Names.ShackleFrame),
                Marks = ["how the shackle leans, and which way its bolts point"],
                Work =
                [
                    "The U-bolts stay shut: the axle is raised or lowered on its jack until both bolts pass by hand.",
                ],
                Spread = Spread.OneSide,
                WheelOff = false,
                Minutes = (15, 5, 10),
            },
            OperationKind.LeafPack => here with
            {
                Opens =
                [
                    .. At(
                        where,
                        Names.Hose,
                        Names.Lead,
                        Names.LowerShock,
                        Names.UBolts,
                        Names.FixedEye,
                        Names.ShackleEye
                    ),
                    .. At(ends, Names.Breather),
                ],
                Out = [new(MemberKind.LeafPack, where)],
                Marks = ["which half of the pack is the longer one, and which way the pin points"],
                Work = ["Two people carry the pack."],
                Spread = Spread.OneSide,
                Minutes = (35, 10, 35),
                People = 2,
            },
            _ => throw new ArgumentOutOfRangeException(nameof(here), here.Kind, "Not of these."),
        };
    }

    /// <summary>The strut's studs, cut for a plate that comes; null where they fit, or were cut as short for one that goes.</summary>
    private PlannedCut? CutStuds(CornerChange change)
    {
        var c = change.Corner;
        var suspension = vehicle.SuspensionOf(Corners.AxleOf(c));
        return
            StudRoom.CutToMm(suspension, change.Come) is { } mm
            && mm < (StudRoom.CutToMm(suspension, change.Before) ?? double.MaxValue)
            ? new PlannedCut(
                $"{c} strut studs",
                CutKind.Cut,
                "the strut's plate",
                mm,
                graph.Find(c.Name(), Names.StrutTop)!.Fasteners.Sum(f => f.Count)
            )
            : null;
    }

    /// <summary>How far an adjuster is turned from where it stands.</summary>
    private static string Turning(CornerChange change)
    {
        var (from, to) = (Turns(change.Before), Turns(change.After));
        var by = to - from;
        return string.Create(
            CultureInfo.InvariantCulture,
            $"{(by < 0 ? "Slacken" : "Tighten")} by {Math.Abs(by):0.##} {(Math.Abs(by) == 1 ? "turn" : "turns")}, the arm hanging: counted by the bolt's flats{(from == 0 ? "" : $", {to:0.##} in all")}. If it turns hard, stop: the arm is not hanging free. Bounce and roll it before the height is read."
        );

        static double Turns(IEnumerable<PlacedPart> parts) =>
            parts.Sum(p => p.Get(PartSizes.Turns) ?? 0);
    }

    /// <summary>What is marked of a spring before it comes out.</summary>
    private string SitsHow(Axle axle) =>
        vehicle.SuspensionOf(axle) switch
        {
            { Medium: SpringMedium.Air } =>
                "how each air spring sits, and where its fitting points",
            { Kind: SuspensionKind.TransverseLeaf } => "how the leaf's end sits",
            _ => "how each coil's ends sit",
        };

    private static Disturbs Moves(SuspensionKind kind) =>
        kind.IsLiveAxle() ? Disturbs.Nothing : Disturbs.Alignment;
}
