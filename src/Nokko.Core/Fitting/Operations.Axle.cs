using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>Operations at what an axle is led, steered and driven by, and at its hoses and leads.</content>
internal sealed partial class Operations
{
    private Operation OfAxle(Operation here, CornerChange change)
    {
        var c = change.Corner;
        var (where, axle, sus) = (c.Name(), Corners.AxleOf(c), KindAt(c));
        var ends = axle.Said();
        var whole = here with { Where = ends, WheelOff = false };
        return here.Kind switch
        {
            OperationKind.Differential => whole with
            {
                Opens = At(ends, Names.DiffBreather, Names.Diff),
                Work =
                [
                    "Half-shafts watched on the way down; breather hose still slack, plug still reached.",
                ],
                Minutes = (20, 15, 20),
            },
            OperationKind.CrossMember => whole with
            {
                Opens = At(ends, Names.DiffBreather, Names.CrossMember, Names.Diff),
                Work =
                [
                    "Where the sheet has the frame cut or drilled: from where, how far, which size, how many, marked with the template before the first cut.",
                ],
                Irreversible =
                    "Metal that was cut or drilled for a cross member does not grow back.",
                Minutes = (25, 30, 25),
            },
            OperationKind.Upright => here with
            {
                Opens =
                [
                    .. At(
                        where,
                        Names.Hose,
                        Names.Lead,
                        Names.Caliper,
                        Names.AxleNut,
                        Names.TorsionKey,
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
            OperationKind.TrackBar => whole with
            {
                Opens = At(ends, Names.TrackBarAxle, Names.TrackBarFrame),
                Marks = ["gap from wheel to frame on both sides, taped before the bar is off"],
                Work =
                [
                    "An adjustable bar is set to its length before it goes in; the last of it once the vehicle stands.",
                ],
                Disturbs = axle == Axle.Front ? Disturbs.Steering : Disturbs.Nothing,
                Minutes = (10, 5, 15),
            },
            OperationKind.TrackBarBracket => whole with
            {
                Opens = At(ends, Names.TrackBarAxle),
                Makes = At(ends, Names.TrackBarBracket),
                Work =
                [
                    "Bracket held up with its bolts, holes marked through it, drilled to the sheet's size, bare metal painted.",
                ],
                Irreversible = "Holes that were drilled stay.",
                Disturbs = axle == Axle.Front ? Disturbs.Steering : Disturbs.Nothing,
                Minutes = (5, 30, 15),
            },
            OperationKind.SwayBarLinks => whole with
            {
                Opens = Both(axle, Names.SwayLink(sus), Names.SwayLinkBar),
                Spread = Spread.Together,
                Minutes = (10, 5, 10),
            },
            OperationKind.CasterBush => here with
            {
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
            OperationKind.LinkBracket => here with
            {
                Opens = At(where, Names.RadiusFrame, Names.LowerLinkFrame, Names.UpperLinkFrame),
                Makes = At(where, Names.LinkBracket),
                Work =
                [
                    "Bracket held up, left and right told apart, every bolt started before any is snug; where its sheet has the frame drilled, marked through it and bare metal painted.",
                ],
                Spread = Spread.OneSide,
                Disturbs =
                    axle == Axle.Front ? Disturbs.Alignment | Disturbs.Steering : Disturbs.Nothing,
                WheelOff = false,
                Minutes = (20, 30, 20),
                People = 2,
            },
            OperationKind.SteeringStops => whole with
            {
                Opens = At(ends, Names.SteeringStops),
                Marks = ["how far each stop stands out, by caliper"],
                Work =
                [
                    "Both sides alike, then turned to both locks on the ground: the wheel meets its stop before the tyre meets anything. It turns in a wider circle from now on: the owner is told.",
                ],
                Minutes = (5, 15, 5),
                Tools = ["caliper"],
            },
            OperationKind.WheelSpacer => here with
            {
                Makes = At(where, Names.WheelSpacer),
                Work =
                [
                    "Hub and spacer wire-brushed, flat on each other without rocking; every wheel nut then takes as many turns as its sheet asks for, or the spacer stays off.",
                ],
                Minutes = (0, 10, 0),
            },
            OperationKind.SteeringDamper => whole with
            {
                Opens = At(ends, Names.Damper),
                Minutes = (5, 5, 5),
            },
            OperationKind.DragLink => whole with
            {
                Opens = At(ends, Names.DragLinkWheel, Names.DragLinkPitman),
                Marks = ["steering wheel and wheels straight ahead, the old link's length taped"],
                Work =
                [
                    "Set to its length on the bench, eye to eye; the steering wheel is centred before it is driven.",
                ],
                Disturbs = Disturbs.Steering | Disturbs.Alignment,
                Minutes = (15, 5, 15),
            },
            OperationKind.PitmanArm => whole with
            {
                Opens = At(ends, Names.DragLinkPitman, Names.Pitman),
                Marks = ["steering wheel and wheels straight ahead, the arm against its shaft"],
                Work =
                [
                    "A puller draws it off: the box is not struck. It moves the drag link's angle; a track bar left as it is steers over bumps.",
                ],
                Disturbs = Disturbs.Steering | Disturbs.Alignment,
                Minutes = (20, 5, 15),
                Tools = ["pitman-arm puller"],
            },
            OperationKind.Propshaft => whole with
            {
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
                Minutes = (15, 15, 15),
            },
            OperationKind.LevelSensorLink => whole with
            {
                Opens = At(ends, Names.LevelSensor),
                Marks = ["the sensor's arm against its body"],
                Work =
                [
                    "Levelling off before it is undone; on again and set anew at ride height, or lamps and springs follow a wrong height.",
                ],
                Disturbs = Disturbs.Sensors,
                Minutes = (5, 5, 10),
            },
            OperationKind.BrakeHose => here with
            {
                Opens = At(where, Names.Hose, Names.HoseUnion),
                Disturbs = Disturbs.Brakes,
                Minutes = (10, 5, 25),
                People = 2,
                Tools = ["brake bleeder"],
            },
            OperationKind.HoseBracket => here with
            {
                Opens = At(where, Names.Hose),
                Minutes = (3, 5, 5),
            },
            OperationKind.HalfShaft => here with
            {
                Opens = At(where, Names.HalfShaft),
                Work = ["Longer bolts by the spacer's thickness."],
                Minutes = (15, 5, 15),
            },
            _ => throw new ArgumentOutOfRangeException(nameof(here), here.Kind, "Not of these."),
        };
    }
}
