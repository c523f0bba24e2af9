using Nokko.Core.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>Another suspension under an axle.</content>
internal sealed partial class Operations
{
    /// <summary>Joints that only go along with what comes off: undone with it, and the same again.</summary>
    private static readonly HashSet<string> Led =
    [
        Names.Hose,
        Names.Lead,
        Names.PropshaftAxle,
        Names.LevelSensor,
    ];

    /// <summary>Joints that are there only with a certain part, or are worked on at the bench.</summary>
    private static readonly HashSet<string> Apart =
    [
        Names.Wheel,
        Names.WheelSpacer,
        Names.HoseUnion,
        Names.BumpStop,
        Names.PlateTop,
        Names.CentreNut,
        Names.Collar,
        Names.Adjuster,
        Names.CentreBolt,
        Names.LinkBracket,
        Names.TrackBarBracket,
        Names.LevelSensor,
        Names.SteeringStops,
        Names.CarrierBearing,
    ];

    private Operation Of(AxleConversion conversion)
    {
        var axle = conversion.Axle;
        GraphJoint[] joints =
        [
            .. graph.Joints.Where(j =>
                Corners.AxleAt(j.Where) == axle
                && (
                    !Apart.Contains(j.Name)
                    || (
                        j.Name == Names.LevelSensor
                        && vehicle.SuspensionOf(axle).HeightControl is not null
                    )
                )
            ),
        ];
        GraphJoint[] undone =
        [
            .. joints.Where(j =>
                !graph.Changes.Coming.Contains(j.Place)
                && (graph.Changes.Going.Contains(j.Place) || Led.Contains(j.Name) || j.OfSuspension)
            ),
        ];
        return new Operation
        {
            Kind = OperationKind.Conversion,
            Where = axle.Said(),
            Opens =
            [
                .. undone.Where(j => !graph.Changes.Going.Contains(j.Place)).Select(j => j.Place),
            ],
            Ends =
            [
                .. undone.Where(j => graph.Changes.Going.Contains(j.Place)).Select(j => j.Place),
            ],
            Makes = [.. joints.Select(j => j.Place).Where(graph.Changes.Coming.Contains)],
            Out =
            [
                .. undone
                    .SelectMany(MembersOf)
                    .Distinct()
                    .Where(m => Members.OfSuspension(m.Kind) || graph.Changes.NoMore.Contains(m)),
            ],
            Marks =
            [
                "wheelbase and track: hub to a mark on the frame, forward and across, on both sides",
            ],
            Work =
            [
                $"As {conversion.To.Sheet ?? "its sheet"} says, in its order: what is cut off, where the brackets go, what is welded and by whom.",
                conversion.SetUpAt is { } at
                    ? $"Axle or arms set up square, {LengthText.Both(at.In(Unit.Mm))} from {(conversion.From == WalkRounds.Datum.Floor ? "floor" : "hub")} to lip on both sides, before any bracket is final."
                    : "Axle or arms set up square at the height at which it is to stand, before any bracket is final.",
                "Moved through all its travel without its springs: nothing touches, hoses, leads and shafts reach.",
            ],
            Irreversible =
                "Brackets that are cut off, welded on or drilled do not go back in a day: from here the old suspension is gone.",
            TrialFit =
                "Everything that comes laid beside what goes: every bracket, arm, spring and bolt there, left and right told apart. The owner has agreed, with name and time.",
            Disturbs =
                Disturbs.Alignment
                | Disturbs.Brakes
                | Disturbs.Sensors
                | (axle == Axle.Front ? Disturbs.Steering : Disturbs.Nothing),
            Spread = Spread.Together,
            Minutes = (180, 300, 240),
            People = 2,
        };
    }

    private static IEnumerable<Member> MembersOf(GraphJoint joint) =>
        joint.Holds.SelectMany(h => new[] { h.Hung, h.By });
}
