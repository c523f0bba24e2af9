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
            PartKind.Coil when kind.HasCoilOver() =>
            [
                OperationKind.Strut,
                OperationKind.StrutOpened,
            ],
            PartKind.Coil or PartKind.CoilSpacer => kind.IsLiveAxle()
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
            PartKind.SteeringDamper => [OperationKind.SteeringDamper],
            PartKind.DragLink => [OperationKind.DragLink],
            PartKind.PitmanArm => [OperationKind.PitmanArm],
            PartKind.Propshaft => [OperationKind.Propshaft],
            PartKind.LevelSensorLink => [OperationKind.LevelSensorLink],
            PartKind.BrakeHose => [OperationKind.BrakeHose],
            PartKind.BrakeHoseBracket => [OperationKind.HoseBracket],
            PartKind.Unknown => [OperationKind.Unknown],
            _ => throw new ArgumentOutOfRangeException(nameof(part), part, "No part."),
        };

    /// <summary>The operations of a change, each once, from front to rear.</summary>
    public IReadOnlyList<Operation> Of(IReadOnlyList<CornerChange> changes) =>
        [
            .. changes
                .SelectMany(change =>
                    change
                        .Parts.SelectMany(p => For(p.Kind, KindAt(change.Corner)))
                        .Distinct()
                        .Order()
                        .Select(kind => Of(kind, change))
                )
                .DistinctBy(o => (o.Kind, o.Where)),
        ];

    /// <summary>To what the strut's studs are cut for a plate that comes, mm; null where they fit, or were cut as short for one that goes.</summary>
    private double? CutStuds(CornerChange change)
    {
        var suspension = vehicle.SuspensionOf(Corners.AxleOf(change.Corner));
        var cut = StudRoom.CutToMm(suspension, change.Come);
        return cut < (StudRoom.CutToMm(suspension, change.Before) ?? double.MaxValue) ? cut : null;
    }

    private SuspensionKind KindAt(Corner c) => vehicle.SuspensionOf(Corners.AxleOf(c)).Kind;

    /// <summary>Places of the joints with these names that this vehicle has.</summary>
    private IReadOnlyList<string> At(string where, params IEnumerable<string> names) =>
        [.. names.Select(n => graph.Find(where, n)?.Place).OfType<string>()];

    private IReadOnlyList<string> Both(Axle axle, params IEnumerable<string> names) =>
        [.. Corners.Of(axle).SelectMany(c => At(c.Name(), names))];

    private Operation Of(OperationKind kind, CornerChange change)
    {
        var c = change.Corner;
        var (where, axle, sus) = (c.Name(), Corners.AxleOf(c), KindAt(c));
        var ends = axle.Said();
        return kind switch
        {
            OperationKind.Wheel => new() { Kind = kind, Where = where },
            OperationKind.Shock => new()
            {
                Kind = kind,
                Where = where,
                Opens = At(where, Names.LowerShock, Names.UpperShock),
                Work = ["A gas shock stays strapped until both ends are in."],
                Minutes = (10, 5, 10),
            },
            OperationKind.Strut => Strut(
                c,
                sus,
                opened: change.Parts.Any(p => For(p.Kind, sus).Contains(OperationKind.StrutOpened))
            ),
            OperationKind.StrutFoot => new()
            {
                Kind = kind,
                Where = where,
                Opens =
                [
                    .. At(where, Names.Hose, Names.Lead, Names.SwayLink(sus), Names.StrutFoot(sus)),
                ],
                Marks = ["which way the bolt of the strut foot points"],
                Work = ["The top stays on: the spacer goes between the foot and what carries it."],
                Disturbs = Moves(sus),
                Spread = sus.IsLiveAxle() ? Spread.Together : Spread.EachSide,
                Minutes = (15, 10, 15),
            },
            OperationKind.TopPlate => new()
            {
                Kind = kind,
                Where = where,
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
                    ? $"The strut's studs are cut to {LengthText.Both(cut)}: a stud that was cut does not grow back."
                    : null,
                TrialFit = CutStuds(change) is { } length
                    ? $"A trial fit first: the plate on the strut, each stud against the recess. A nut on each stud, the stud marked {LengthText.Both(length)} above the strut's plate, cut, and the nut turned off over the cut thread. Eyes covered, sparks kept off rubber and coil. The owner has agreed, with name and time."
                    : null,
                Minutes = (0, 10, 5),
            },
            OperationKind.StrutOpened => new()
            {
                Kind = kind,
                Where = where,
                Opens = At(where, Names.CentreNut),
                Marks = ["top plate, coil and foot in line"],
                Minutes = (15, 15, 5),
                People = 2,
            },
            OperationKind.Collar => new()
            {
                Kind = kind,
                Where = where,
                Opens = At(where, Names.Collar),
                Marks = ["the collar's height on its threads, by caliper"],
                Work =
                [
                    "Count the turns, both sides alike. The spring must turn by hand first: if it does not, the load is still on it.",
                ],
                Disturbs = Moves(sus),
                Minutes = (5, 15, 3),
            },
            OperationKind.CoilsOnAxle => CoilsOnAxle(axle, sus),
            OperationKind.SpringOnArm => new()
            {
                Kind = kind,
                Where = where,
                Opens = At(
                    where,
                    Names.Hose,
                    Names.Lead,
                    Names.SwayLink(sus),
                    Names.LowerShock,
                    Names.LinkBolt,
                    Names.Seat
                ),
                Marks = ["how the spring's ends sit"],
                Work = change.Parts.Any(p => p.Kind == PartKind.BumpStopExtension)
                    ? ["The bump-stop extension goes in before the spring."]
                    : [],
                Disturbs = Moves(sus) | Disturbs.Sensors,
                Minutes = (20, 15, 20),
                People = 2,
            },
            OperationKind.BumpStop => new()
            {
                Kind = kind,
                Where = where,
                Opens = At(where, Names.BumpStop),
                Work = ["It goes in before the spring, where it sits inside the coil."],
                Minutes = (5, 5, 5),
            },
            OperationKind.Block => new()
            {
                Kind = kind,
                Where = where,
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
            OperationKind.Shackle => new()
            {
                Kind = kind,
                Where = where,
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
            OperationKind.LeafPack => new()
            {
                Kind = kind,
                Where = where,
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
            OperationKind.Differential => new()
            {
                Kind = kind,
                Where = ends,
                Opens = At(ends, Names.DiffBreather, Names.Diff),
                Work =
                [
                    "Half-shafts watched on the way down; breather hose still slack, plug still reached.",
                ],
                WheelOff = false,
                Minutes = (20, 15, 20),
            },
            OperationKind.DropBracket => DropBracket(c, sus),
            OperationKind.CrossMember => new()
            {
                Kind = kind,
                Where = ends,
                Opens = At(ends, Names.DiffBreather, Names.CrossMember, Names.Diff),
                Work =
                [
                    "Where the sheet has the frame cut or drilled: from where, how far, which size, how many, marked with the template before the first cut.",
                ],
                Irreversible =
                    "Metal that was cut or drilled for a cross member does not grow back.",
                WheelOff = false,
                Minutes = (25, 30, 25),
            },
            OperationKind.Subframe => Subframe(c),
            OperationKind.UpperArm or OperationKind.LowerArm => Arm(kind, c, sus),
            OperationKind.Upright => new()
            {
                Kind = kind,
                Where = where,
                Opens =
                [
                    .. At(
                        where,
                        Names.Hose,
                        Names.Lead,
                        Names.Caliper,
                        Names.AxleNut,
                        Names.TieRod,
                        Names.UpperBall,
                        Names.LowerBall,
                        Names.StrutClamp
                    ),
                ],
                Out = [new(MemberKind.Upright, where)],
                Work = ["The bearing and the brake change over, or come with the new upright."],
                Disturbs = Disturbs.Alignment | Disturbs.Brakes | Disturbs.Sensors,
                Minutes = (45, 25, 45),
                People = 2,
            },
            OperationKind.TrackBar => new()
            {
                Kind = kind,
                Where = ends,
                Opens = At(ends, Names.TrackBarAxle, Names.TrackBarFrame),
                Marks = ["gap from wheel to frame on both sides, taped before the bar is off"],
                Work =
                [
                    "An adjustable bar is set to its length before it goes in; the last of it once the vehicle stands.",
                ],
                Disturbs = axle == Axle.Front ? Disturbs.Steering : Disturbs.Nothing,
                WheelOff = false,
                Minutes = (10, 5, 15),
            },
            OperationKind.TrackBarBracket => new()
            {
                Kind = kind,
                Where = ends,
                Opens = At(ends, Names.TrackBarAxle),
                Makes = At(ends, Names.TrackBarBracket),
                Work =
                [
                    "Bracket held up with its bolts, holes marked through it, drilled to the sheet's size, bare metal painted.",
                ],
                Irreversible = "Holes that were drilled stay.",
                Disturbs = axle == Axle.Front ? Disturbs.Steering : Disturbs.Nothing,
                WheelOff = false,
                Minutes = (5, 30, 15),
            },
            OperationKind.SwayBarLinks => new()
            {
                Kind = kind,
                Where = ends,
                Opens = Both(axle, Names.SwayLink(sus), Names.SwayLinkBar),
                Spread = Spread.Together,
                WheelOff = false,
                Minutes = (10, 5, 10),
            },
            OperationKind.CasterBush => new()
            {
                Kind = kind,
                Where = where,
                Opens =
                    sus == SuspensionKind.CoilRadiusArm
                        ? At(where, Names.RadiusAxle)
                        : At(where, Names.LowerLinkAxle),
                Marks = ["which way round the old bush sits"],
                Work =
                [
                    "Pressed in with the template's line where it says; the wrong way round doubles what it should take back.",
                ],
                Spread = Spread.OneSide,
                Disturbs = Disturbs.Alignment | Disturbs.Steering,
                WheelOff = false,
                Minutes = (20, 30, 20),
            },
            OperationKind.BodyMounts => new()
            {
                Kind = kind,
                Where = where,
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
            OperationKind.SteeringDamper => new()
            {
                Kind = kind,
                Where = ends,
                Opens = At(ends, Names.Damper),
                WheelOff = false,
                Minutes = (5, 5, 5),
            },
            OperationKind.DragLink => new()
            {
                Kind = kind,
                Where = ends,
                Opens = At(ends, Names.DragLinkWheel, Names.DragLinkPitman),
                Marks = ["steering wheel and wheels straight ahead, the old link's length taped"],
                Work =
                [
                    "Set to its length on the bench, eye to eye; the steering wheel is centred before it is driven.",
                ],
                Disturbs = Disturbs.Steering | Disturbs.Alignment,
                WheelOff = false,
                Minutes = (15, 5, 15),
            },
            OperationKind.PitmanArm => new()
            {
                Kind = kind,
                Where = ends,
                Opens = At(ends, Names.DragLinkPitman, Names.Pitman),
                Marks = ["steering wheel and wheels straight ahead, the arm against its shaft"],
                Work =
                [
                    "A puller draws it off: the box is not struck. It moves the drag link's angle; a track bar left as it is steers over bumps.",
                ],
                Disturbs = Disturbs.Steering | Disturbs.Alignment,
                WheelOff = false,
                Minutes = (20, 5, 15),
                Tools = ["pitman-arm puller"],
            },
            OperationKind.Propshaft => new()
            {
                Kind = kind,
                Where = ends,
                Opens = At(
                    ends,
                    sus.IsLiveAxle() ? Names.PropshaftAxle : Names.DiffFlange,
                    Names.CarrierBearing
                ),
                Marks = ["propshaft against both flanges"],
                Work =
                [
                    "The slip joint keeps length to go in and out, at ride height and at droop.",
                ],
                WheelOff = false,
                Minutes = (15, 15, 15),
            },
            OperationKind.LevelSensorLink => new()
            {
                Kind = kind,
                Where = ends,
                Opens = At(ends, Names.LevelSensor),
                Marks = ["the sensor's arm against its body"],
                Work =
                [
                    "Levelling off before it is undone; on again and set anew at ride height, or lamps and springs follow a wrong height.",
                ],
                Disturbs = Disturbs.Sensors,
                WheelOff = false,
                Minutes = (5, 5, 10),
            },
            OperationKind.BrakeHose => new()
            {
                Kind = kind,
                Where = where,
                Opens = At(where, Names.Hose, Names.HoseUnion),
                Disturbs = Disturbs.Brakes,
                Minutes = (10, 5, 25),
                People = 2,
                Tools = ["brake bleeder"],
            },
            OperationKind.HoseBracket => new()
            {
                Kind = kind,
                Where = where,
                Opens = At(where, Names.Hose),
                Minutes = (3, 5, 5),
            },
            OperationKind.HalfShaft => new()
            {
                Kind = kind,
                Where = where,
                Opens = At(where, Names.HalfShaft),
                Work = ["Longer bolts by the spacer's thickness."],
                Minutes = (15, 5, 15),
            },
            OperationKind.Unknown => new()
            {
                Kind = kind,
                Where = where,
                Work =
                [
                    "What this part opens is not known: add the joints that it opens, each with its spec, before the vehicle goes up.",
                ],
                Minutes = (0, 30, 0),
            },
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No operation."),
        };
    }

    private static Disturbs Moves(SuspensionKind kind) =>
        kind.IsLiveAxle() ? Disturbs.Nothing : Disturbs.Alignment;
}
