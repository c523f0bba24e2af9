using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>Which operations a change needs, and what each does on this vehicle.</summary>
/// <remarks>Source: docs/computation/job-card.md#operations. Minutes are rules of thumb.</remarks>
internal sealed partial class Operations(
    Vehicle vehicle,
    VehicleGraph graph,
    FittingSchools schools
)
{
    /// <summary>The operations that a part needs on a suspension.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no part.</exception>
    public static IReadOnlyList<OperationKind> For(PartKind part, SuspensionKind kind) =>
        part switch
        {
            PartKind.Tyre => [OperationKind.Wheel],
            PartKind.Shock => [OperationKind.Shock],
            PartKind.StrutTopSpacer => [OperationKind.Strut, OperationKind.TopPlate],
            PartKind.StrutLowerSpacer => [OperationKind.StrutFoot],
            PartKind.CoilOver => [OperationKind.Strut],
            PartKind.PreloadSpacer => [OperationKind.Strut, OperationKind.StrutOpened],
            PartKind.RaisedCollar => [OperationKind.Collar],
            PartKind.TorsionAdjuster => [OperationKind.TorsionAdjuster],
            PartKind.AirSpring when kind.HasCoilOver() => [OperationKind.Strut],
            PartKind.Coil when kind.HasCoilOver() =>
            [
                OperationKind.Strut,
                OperationKind.StrutOpened,
            ],
            PartKind.Coil or PartKind.CoilSpacer or PartKind.AirSpring => kind.IsLiveAxle()
                ? [OperationKind.CoilsOnAxle]
                : [OperationKind.SpringOnArm],
            PartKind.LeafPack => [OperationKind.LeafPack],
            PartKind.Shackle => [OperationKind.Shackle],
            PartKind.Block or PartKind.AxleShim or PartKind.UBolts => [OperationKind.Block],
            PartKind.BodyPuck or PartKind.BodyMount => [OperationKind.BodyMounts],
            PartKind.DropBracket => [OperationKind.DropBracket],
            PartKind.CrossMember => [OperationKind.CrossMember],
            PartKind.SubframeBlock => [OperationKind.Subframe],
            PartKind.DiffDrop => [OperationKind.Differential],
            PartKind.BumpStopExtension => [OperationKind.BumpStop],
            PartKind.SwayBarLink => [OperationKind.SwayBarLinks],
            PartKind.HalfShaftSpacer => [OperationKind.HalfShaft],
            PartKind.TrackBar => [OperationKind.TrackBar],
            PartKind.TrackBarBracket => [OperationKind.TrackBarBracket],
            PartKind.UpperArm => [OperationKind.UpperArm],
            PartKind.LowerArm => [OperationKind.LowerArm],
            PartKind.Upright => [OperationKind.Upright],
            PartKind.CasterBush => [OperationKind.CasterBush],
            PartKind.LinkBracket => [OperationKind.LinkBracket],
            PartKind.SteeringStops => [OperationKind.SteeringStops],
            PartKind.WheelSpacer => [OperationKind.WheelSpacer],
            PartKind.SteeringDamper => [OperationKind.SteeringDamper],
            PartKind.DragLink => [OperationKind.DragLink],
            PartKind.PitmanArm => [OperationKind.PitmanArm],
            PartKind.Propshaft => [OperationKind.Propshaft],
            PartKind.LevelSensorLink => [OperationKind.LevelSensorLink],
            PartKind.BrakeHose => [OperationKind.BrakeHose],
            PartKind.BrakeHoseBracket => [OperationKind.HoseBracket],
            PartKind.Unknown => [OperationKind.Unknown],
            PartKind.Kit => [],
            _ => throw new ArgumentOutOfRangeException(nameof(part), part, "No part."),
        };

    /// <summary>The operations of a change, each once, from front to rear.</summary>
    /// <param name="changes">What comes and goes at each corner.</param>
    /// <param name="conversions">Axles that get another suspension: what comes and goes there is part of that work.</param>
    public IReadOnlyList<Operation> Of(
        IReadOnlyList<CornerChange> changes,
        IReadOnlyList<AxleConversion> conversions
    ) =>
        [
            .. changes
                .SelectMany(change =>
                    change
                        .Parts.Where(p =>
                            PartRule.Of(p.Kind).OnAnySuspension
                            || conversions.All(c => c.Axle != Corners.AxleOf(change.Corner))
                        )
                        .SelectMany(p => For(p.Kind, KindAt(change.Corner)))
                        .Distinct()
                        .Order()
                        .Select(kind => Of(kind, change))
                )
                .DistinctBy(o => (o.Kind, o.Where)),
            .. conversions.Select(Of),
        ];

    private SuspensionKind KindAt(Corner c) => vehicle.SuspensionOf(Corners.AxleOf(c)).Kind;

    /// <summary>Places of the joints with these names that this vehicle has.</summary>
    private IReadOnlyList<string> At(string where, params IEnumerable<string> names) =>
        [.. names.Select(n => graph.Find(where, n)?.Place).OfType<string>()];

    private IReadOnlyList<string> Both(Axle axle, params IEnumerable<string> names) =>
        [.. Corners.Of(axle).SelectMany(c => At(c.Name(), names))];

    private Operation Of(OperationKind kind, CornerChange change)
    {
        var c = change.Corner;
        var (where, sus) = (c.Name(), KindAt(c));
        var here = new Operation { Kind = kind, Where = where };
        return kind switch
        {
            OperationKind.Wheel => here,
            OperationKind.Strut => Strut(
                c,
                sus,
                opened: change.Parts.Any(p => For(p.Kind, sus).Contains(OperationKind.StrutOpened))
            ),
            OperationKind.CoilsOnAxle => CoilsOnAxle(Corners.AxleOf(c), sus),
            OperationKind.DropBracket => DropBracket(c, sus),
            OperationKind.Subframe => Subframe(c),
            OperationKind.UpperArm or OperationKind.LowerArm => Arm(kind, c, sus),
            OperationKind.BodyMounts => here with
            {
                Opens =
                [
                    .. At("vehicle", Names.BodyLines, Names.SteeringShaft),
                    .. At(where, BodyGraph.Mounts(vehicle, c)),
                ],
                Loosens =
                [
                    .. Corners
                        .All.Where(x => Members.Side(x) != Members.Side(c))
                        .SelectMany(x => At(x.Name(), BodyGraph.Mounts(vehicle, x))),
                ],
                Work =
                    vehicle.BodyKind == BodyKind.Unibody
                        ?
                        [
                            "This body has no frame under it: add the joints that this piece opens, each with its spec, before anything is undone.",
                        ]
                        : ["Crushed half out, sleeve through both, the puck where the sheet says."],
                Spread = Spread.OneSide,
                Disturbs = Disturbs.Steering | Disturbs.Battery,
                WheelOff = false,
                Raised = false,
                Minutes = (20, 25, 15),
                People = 2,
            },
            OperationKind.Unknown => here with
            {
                Work =
                [
                    "What this part opens is not known: add the joints that it opens, each with its spec, before the vehicle goes up.",
                ],
                Minutes = (0, 30, 0),
            },
            OperationKind.Shock
            or OperationKind.StrutFoot
            or OperationKind.TopPlate
            or OperationKind.StrutOpened
            or OperationKind.Collar
            or OperationKind.TorsionAdjuster
            or OperationKind.SpringOnArm
            or OperationKind.BumpStop
            or OperationKind.Block
            or OperationKind.Shackle
            or OperationKind.LeafPack => OfSpring(here, change),
            OperationKind.Differential
            or OperationKind.CrossMember
            or OperationKind.Upright
            or OperationKind.TrackBar
            or OperationKind.TrackBarBracket
            or OperationKind.SwayBarLinks
            or OperationKind.CasterBush
            or OperationKind.LinkBracket
            or OperationKind.SteeringStops
            or OperationKind.WheelSpacer
            or OperationKind.SteeringDamper
            or OperationKind.DragLink
            or OperationKind.PitmanArm
            or OperationKind.Propshaft
            or OperationKind.LevelSensorLink
            or OperationKind.BrakeHose
            or OperationKind.HoseBracket
            or OperationKind.HalfShaft => OfAxle(here, change),
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No operation."),
        };
    }
}
