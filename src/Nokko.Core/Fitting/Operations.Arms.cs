using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>Operations that take an axle or a corner apart: struts, coils, brackets, subframes, arms.</content>
internal sealed partial class Operations
{
    private Operation Strut(Corner c, SuspensionKind sus, bool opened)
    {
        var where = c.Name();
        IReadOnlyList<string> parted =
            sus != SuspensionKind.CoilOverArm
                ? []
                : schools.OpenArm switch
                {
                    OpenArm.UpperBall => At(where, Names.UpperBall),
                    OpenArm.LowerBracket => At(where, Names.TieRod, Names.LowerBracket),
                    OpenArm.InnerPivots => At(where, Names.LowerPivots),
                    _ => [],
                };
        string[] pivots = [.. At(where, Names.LowerPivots, Names.UpperPivots, Names.ArmPivot)];
        IReadOnlyList<string> shaft =
            sus == SuspensionKind.CoilOverArm && schools.HalfShaft == HalfShaftWay.Freed
                ? At(where, Names.AxleNut)
                : [];
        return new()
        {
            Kind = OperationKind.Strut,
            Where = where,
            Opens =
            [
                .. At(where, Names.AirLine, Names.Hose, Names.Lead, Names.SwayLink(sus)),
                .. sus.IsLiveAxle() ? At(Corners.AxleOf(c).Said(), Names.Breather)
                : schools.Caliper == CaliperWay.Hung ? At(where, Names.Caliper)
                : [],
                .. shaft,
                .. parted,
                .. At(where, Names.StrutFoot(sus), Names.StrutClamp, Names.StrutTop),
            ],
            Loosens = [.. pivots.Except(parted)],
            Out = [new(MemberKind.Strut, where)],
            OutAfter = parted,
            Watch =
            [
                .. sus.IsLiveAxle() || shaft.Count > 0
                    ? Array.Empty<string>()
                    :
                    [
                        "on a driven axle the half-shaft is tied level: its joint must neither bind nor pull out",
                    ],
                .. opened
                    ? Array.Empty<string>()
                    :
                    [
                        "the strut's big centre nut stays shut: it holds the spring, and a spring let go kills",
                    ],
            ],
            Marks =
            [
                "the strut top plate against the body",
                .. pivots.Length > 0 ? ["the pivots' cams against the arm"] : Array.Empty<string>(),
                "which way the bolt of the strut foot points",
            ],
            Disturbs =
                Moves(sus)
                | Disturbs.Sensors
                | (
                    schools.Caliper == CaliperWay.Hung && !sus.IsLiveAxle()
                        ? Disturbs.Brakes
                        : Disturbs.Nothing
                ),
            Spread = sus.IsLiveAxle() ? Spread.Together : Spread.EachSide,
            Minutes = (30, 10, 25),
            People = 2,
        };
    }

    private Operation CoilsOnAxle(Axle axle, SuspensionKind sus)
    {
        var ends = axle.Said();
        return new()
        {
            Kind = OperationKind.CoilsOnAxle,
            Where = ends,
            Opens =
            [
                .. At(ends, Names.Breather),
                .. Both(
                    axle,
                    Names.AirLine,
                    Names.Hose,
                    Names.Lead,
                    Names.SwayLink(sus),
                    Names.LowerShock,
                    Names.Seat
                ),
                .. schools.TrackBar == TrackBarWay.Off ? At(ends, Names.TrackBarAxle) : [],
            ],
            Marks = [SitsHow(axle)],
            Disturbs = Disturbs.Sensors,
            Spread = Spread.Together,
            Minutes = (40, 10, 30),
            People = 2,
        };
    }

    private Operation DropBracket(Corner c, SuspensionKind sus)
    {
        var where = c.Name();
        return new()
        {
            Kind = OperationKind.DropBracket,
            Where = where,
            Opens =
            [
                .. At(
                    where,
                    Names.AirLine,
                    Names.TorsionKey,
                    Names.Hose,
                    Names.Lead,
                    Names.SwayLink(sus),
                    Names.TieRod,
                    Names.HalfShaft,
                    Names.UpperBall,
                    Names.StrutFoot(sus),
                    Names.StrutTop,
                    Names.StrutClamp,
                    Names.LowerShock,
                    Names.LinkBolt,
                    Names.Seat,
                    Names.LowerPivots,
                    Names.ArmPivot
                ),
            ],
            Out = [new(MemberKind.Strut, where)],
            Marks = ["the pivots' cams against the frame", "the strut top plate against the body"],
            Work =
            [
                "Bracket held up, left and right told apart, every bolt started before any is snug.",
            ],
            Disturbs = Disturbs.Alignment | Disturbs.Steering | Disturbs.Sensors,
            Spread = Spread.Together,
            Minutes = (60, 40, 60),
            People = 2,
        };
    }

    private Operation Subframe(Corner c)
    {
        var (where, axle) = (c.Name(), Corners.AxleOf(c));
        var front = axle == Axle.Front;
        var other = Corners.Of(axle).Single(x => x != c);
        return new()
        {
            Kind = OperationKind.Subframe,
            Where = where,
            Opens =
            [
                .. front ? At(axle.Said(), Names.SteeringShaft) : [],
                .. At(where, Names.Hose, Names.Lead, Names.Subframe),
            ],
            Loosens = At(other.Name(), Names.Subframe),
            Marks = ["eccentrics, and the subframe's place against the body"],
            Work = ["Exhaust, shafts and hoses watched on the way down."],
            Disturbs = Disturbs.Alignment | (front ? Disturbs.Steering : Disturbs.Nothing),
            Spread = schools.Subframe == SubframeWay.AllOut ? Spread.Together : Spread.OneSide,
            WheelOff = false,
            Minutes = (25, 15, 25),
            People = 2,
        };
    }

    private Operation Arm(OperationKind kind, Corner c, SuspensionKind sus)
    {
        var (where, upper) = (c.Name(), kind == OperationKind.UpperArm);
        string[] names =
            upper
                ?
                [
                    Names.TorsionKey,
                    Names.UpperBall,
                    Names.UpperLink,
                    Names.UpperPivots,
                    Names.UpperLinkAxle,
                    Names.UpperLinkFrame,
                ]
            : sus.IsLiveAxle()
                ? [Names.LowerLinkAxle, Names.LowerLinkFrame, Names.RadiusAxle, Names.RadiusFrame]
            :
            [
                .. sus == SuspensionKind.TrailingArm ? new[] { Names.Caliper } : [],
                Names.AirLine,
                Names.TorsionKey,
                Names.SwayLink(sus),
                Names.LowerShock,
                Names.StrutFoot(sus),
                Names.LowerBall,
                Names.LinkBolt,
                Names.Seat,
                Names.LowerPivots,
                Names.ArmPivot,
            ];
        return new()
        {
            Kind = kind,
            Where = where,
            Opens = At(where, [Names.Hose, Names.Lead, .. names]),
            Out =
                upper || sus.IsLiveAxle() ? []
                : sus == SuspensionKind.TrailingArm ? [new(MemberKind.TrailingArm, where)]
                : [new(MemberKind.LowerArm, where)],
            Marks = sus.IsLiveAxle() ? [] : ["the pivots' cams against frame or subframe"],
            Work =
            [
                sus.IsLiveAxle()
                    ? "One link at a time; an adjustable one set to its length first, both sides alike."
                    : "Old against new on the bench: the same side, the same way up.",
            ],
            Disturbs = Disturbs.Alignment | Disturbs.Sensors,
            Spread = sus.IsLiveAxle() ? Spread.OneSide : Spread.EachSide,
            WheelOff = !sus.IsLiveAxle(),
            Minutes = (25, 10, 30),
            People = 1,
        };
    }
}
