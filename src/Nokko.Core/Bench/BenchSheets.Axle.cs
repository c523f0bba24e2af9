using Nokko.Core.Geometry;
using Nokko.Core.Units;

namespace Nokko.Core.Bench;

/// <content>What a lift does to the bars and arms of a live axle.</content>
public static partial class BenchSheets
{
    private static BenchAnswer Bar(Func<string, double?> number)
    {
        var (run, drop, lift) = (
            number("run")!.Value,
            number("drop")!.Value,
            number("lift")!.Value
        );
        var (bump, droop, moved) = (number("bump")!.Value, number("droop")!.Value, number("moved"));
        var bar = new TrackBar(run, drop);
        if (
            bar.Lifted(lift) is not { } lifted
            || bar.Lifted(0)!.SwingMm(bump, droop) is not { } was
        )
        {
            throw new BenchException(
                "drop",
                "The bar cannot reach that far: check run, drop and lift."
            );
        }
        var longer = lifted.CentringBarMm - lifted.BarMm;
        var u = FirstOrder.U(
            x => new TrackBar(x[0], x[1]).Lifted(x[2])?.ShiftMm,
            (run, AxleSizes.JointUMm),
            (drop, AxleSizes.JointUMm),
            (lift, TapeUMm)
        );
        LabelledResult Swing(string label, TrackBarCure cure, double by = 0) =>
            bar.Lifted(lift, cure, by)?.SwingMm(bump, droop) is { } mm
                ? Length(
                    label,
                    mm,
                    FirstOrder.U(
                        x => new TrackBar(x[0], x[1]).Lifted(x[2], cure, by)?.SwingMm(bump, droop),
                        (run, AxleSizes.JointUMm),
                        (drop, AxleSizes.JointUMm),
                        (lift, TapeUMm)
                    )
                )
                : new LabelledResult(label, Result.No(Unit.Mm, "The bar cannot reach that far."));
        return new BenchAnswer(
            [
                Length("The axle moves, toward the bar's end at the body, by", lifted.ShiftMm, u),
                Length("Gaps beside its tyres then differ by", 2 * lifted.ShiftMm, 2 * u),
                Length("A bar that brings it back is longer by", longer, u),
                .. number("pitch") is { } pitch
                    ? (LabelledResult[])
                        [new("In turns", Result.Of(longer / pitch, Unit.One, u / pitch, []))]
                    : [],
                Length(
                    "Side to side through the travel, before",
                    was,
                    FirstOrder.U(
                        x => new TrackBar(x[0], x[1]).Lifted(0)?.SwingMm(bump, droop),
                        (run, AxleSizes.JointUMm),
                        (drop, AxleSizes.JointUMm)
                    )
                ),
                Swing("After the lift", TrackBarCure.None),
                Swing("With the longer bar", TrackBarCure.LongerBar),
                .. moved is { } r
                    ? (LabelledResult[])
                        [
                            Swing("With the bracket", TrackBarCure.RaisedAxleEnd, r),
                            new(
                                "Left of the shift with it",
                                bar.Lifted(lift, TrackBarCure.RaisedAxleEnd, r) is { } cured
                                    ? Result.Of(cured.ShiftMm, Unit.Mm, u, [])
                                    : Result.No(Unit.Mm, "The bar cannot reach that far.")
                            ),
                            Length(
                                "Body over roll centre: bracket at the axle",
                                (lift - r) / 2,
                                TapeUMm
                            ),
                            Length(
                                "Body over roll centre: bracket at the body",
                                (lift + r) / 2,
                                TapeUMm
                            ),
                        ]
                    : [Length("Body over roll centre, more by", lift / 2, TapeUMm)],
            ],
            [
                "The axle is strapped to the frame before a bar's end is undone; its last bolt is final on its wheels.",
                "On a steered axle move the drag link's end by as much, or it steers with every bump.",
                "Check by tape: rim to frame, left and right, before and after.",
            ]
        );
    }

    private static BenchAnswer Steering(Func<string, double?> number)
    {
        var links = new SteeringLinks(
            new(number("barRun")!.Value, number("barDrop")!.Value),
            new(number("linkRun")!.Value, number("linkDrop")!.Value),
            number("arm")!.Value
        );
        var lift = number("lift")!.Value;
        LabelledResult Turn(string label, double? rad, double u) =>
            new(
                label,
                rad is { } r
                    ? Result.Of(r * Degrees, Unit.Degree, u * Degrees, [])
                    : Result.No(Unit.Degree, "The rods cannot reach that far.")
            );
        SwingingRod Down(SwingingRod rod) => rod with { DropMm = rod.DropMm + lift };
        SteeringLinks Left(SteeringLinks l) => l with { Bar = Down(l.Bar), Link = Down(l.Link) };
        SteeringLinks BarAlone(SteeringLinks l) => l with { Link = Down(l.Link) };
        LabelledResult Bumps(string label, Func<SteeringLinks, SteeringLinks> cured) =>
            Turn(
                label,
                cured(links).SteerRad(SteeringMechanism.DroopMm),
                U(l => cured(l).SteerRad(SteeringMechanism.DroopMm))
            );
        double U(Func<SteeringLinks, double?> turn) =>
            FirstOrder.U(
                x => turn(new(new(x[0], x[1]), new(x[2], x[3]), x[4])),
                (links.Bar.RunMm, AxleSizes.JointUMm),
                (links.Bar.DropMm, AxleSizes.JointUMm),
                (links.Link.RunMm, AxleSizes.JointUMm),
                (links.Link.DropMm, AxleSizes.JointUMm),
                (links.ArmMm, AxleSizes.JointUMm)
            );
        return new BenchAnswer(
            [
                Turn(
                    "The knuckle turns, both left as they were, by",
                    links.SteerRad(lift),
                    U(l => l.SteerRad(lift))
                ),
                Turn(
                    "With the axle brought back to the middle",
                    links.SteerRadCentred(lift),
                    U(l => l.SteerRadCentred(lift))
                ),
                Bumps("Then with 2 in (50 mm) of droop, both left", Left),
                Bumps("With the bar's bracket alone", BarAlone),
                Bumps("With both moved alike", links => links),
            ],
            [
                "Below zero the arm's end is drawn toward the ends at the body.",
                "Re-centre the link before it is driven; bar and link of one slope do not steer with the bumps.",
                "A cure that moves one of the pair alone makes it steer: move both, or neither.",
            ]
        );
    }

    private static BenchAnswer Links(Func<string, double?> number)
    {
        (double Value, double U)[] taped =
        [
            (number("arm")!.Value, AxleSizes.JointUMm),
            (number("link")!.Value, AxleSizes.JointUMm),
            (number("lift")!.Value, TapeUMm),
            (number("share")!.Value, AxleSizes.ShareU),
        ];
        double[] at = [.. taped.Select(t => t.Value)];
        static SwayBar Bar(double[] x) => new(x[0], x[1]);
        LabelledResult Slope(string label, Func<double[], double?> of) =>
            new(
                label,
                of(at) is { } rad
                    ? Result.Of(rad * Degrees, Unit.Degree, FirstOrder.U(of, taped) * Degrees, [])
                    : Result.No(Unit.Degree, "The link cannot reach that far.")
            );
        double? Now(double[] x) => Bar(x).SlopeRad(x[3] * x[2]);
        if (Now(at) is null)
        {
            throw new BenchException(
                "lift",
                "The link cannot reach that far: it would hang the axle. Check arm, link and lift."
            );
        }
        var longer = at[3] * at[2];
        var u = FirstOrder.U(x => x[3] * x[2], taped);
        return new BenchAnswer(
            [
                Slope("The bar's arm slopes down, more than it did, by", Now),
                Length("Links that bring it back are longer by", longer, u),
                Length(
                    "Hole to hole then",
                    at[1] + longer,
                    FirstOrder.U(x => x[1] + (x[3] * x[2]), taped)
                ),
                .. number("droop") is { } droop
                    ? (LabelledResult[])
                        [
                            Slope(
                                "At full droop, links left, it slopes by",
                                x => Bar(x).SlopeRad(x[3] * (x[2] + droop))
                            ),
                            Slope(
                                "Arm and link are from one line by",
                                x => Bar(x).FromLineRad(x[3] * (x[2] + droop))
                            ),
                        ]
                    : [],
            ],
            [
                "The bar's end moves by 1 for each mm on a live axle, about 0.7 on an arm, about 1 on a strut: tape it on an arm.",
                "Within 20° of one line the bar may snap over: a rule of thumb.",
                "Connect both on its wheels only, left and right together.",
            ]
        );
    }

    private static BenchAnswer CasterOf(Func<string, double?> number)
    {
        var (arm, drop) = (number("arm")!.Value, number("drop")!.Value);
        var (front, rear, wheelbase) = (
            number("front")!.Value,
            number("rear")!.Value,
            number("wheelbase")!.Value
        );
        double? Change(double[] x) =>
            Math.Abs(x[1]) < x[0]
                ? Caster.OfRadiusArmRad(
                    x[0],
                    x[1],
                    Caster.PivotRiseMm(
                        x[2],
                        x[3],
                        Math.Sqrt((x[0] * x[0]) - (x[1] * x[1])),
                        wheelbase
                    )
                )
                : null;
        if (Change([arm, drop, front, rear]) is not { } turn)
        {
            throw new BenchException(
                "drop",
                "The arm cannot reach that far: check its length and drop."
            );
        }
        var u = FirstOrder.U(
            Change,
            (arm, AxleSizes.JointUMm),
            (drop, AxleSizes.JointUMm),
            (front, TapeUMm),
            (rear, TapeUMm)
        );
        return new BenchAnswer(
            [
                new(
                    "Caster, to the ground, changes by",
                    Result.Of(turn * Degrees, Unit.Degree, u * Degrees, [])
                ),
                .. number("apart") is { } apart
                    ? (LabelledResult[])
                        [
                            Length(
                                "Back with a pair of bushes, opposed, each off its middle by",
                                Math.Abs(Caster.OffsetMm(turn, apart, pair: true)),
                                u * apart / 2
                            ),
                        ]
                    : [],
            ],
            [
                "Caster and pinion are one rotation: what is given back in front turns the pinion down by as much.",
                "The wrong way round it doubles the error: look at the mark on the bush.",
                "Sag that a lift takes back costs nothing: caster was lost below standard height.",
            ]
        );
    }
}
