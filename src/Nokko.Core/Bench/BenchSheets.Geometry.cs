using Nokko.Core.Geometry;
using Nokko.Core.Units;

namespace Nokko.Core.Bench;

/// <content>What a lift moves, and what takes it back.</content>
public static partial class BenchSheets
{
    private static BenchAnswer Shaft(Func<string, double?> number)
    {
        var (run, drop, aside) = (
            number("run")!.Value,
            number("drop")!.Value,
            number("aside") ?? 0
        );
        var (output, pinion) = (
            number("output")!.Value / Degrees,
            number("pinion")!.Value / Degrees
        );
        var shaft = new Driveline(run, drop, output, pinion, aside);
        LabelledResult Angle(string label, Func<Driveline, double> of) =>
            new(
                label,
                Result.Of(
                    of(shaft) * Degrees,
                    Unit.Degree,
                    FirstOrder.U(
                        x => of(new(x[0], x[1], x[2], x[3], aside)),
                        (run, AxleSizes.JointUMm),
                        (drop, AxleSizes.JointUMm),
                        (output, PropshaftMechanism.GaugeURad),
                        (pinion, PropshaftMechanism.GaugeURad)
                    ) * Degrees,
                    []
                )
            );
        var rpm = Math.Min(shaft.LimitRadPerS * 30 / Math.PI, 99_999);
        return new BenchAnswer(
            [
                Angle("Both joints leave over", s => s.ResidualRad),
                Angle("Joint at the gearbox", s => s.FrontJointRad),
                Angle("Joint at the axle", s => s.RearJointRad),
                Angle("Turn the pinion up by", s => s.EqualisingTurnRad),
                new("Smooth up to, turns a minute", Result.Of(rpm, Unit.One, null, [])),
                .. number("ratio") is { } ratio && number("tyre") is { } tyre
                    ? (LabelledResult[])
                        [
                            new(
                                "Smooth up to, km/h",
                                Result.Of(
                                    rpm / ratio * Math.PI * tyre * 60 / 1e6,
                                    Unit.One,
                                    null,
                                    []
                                )
                            ),
                        ]
                    : [],
            ],
            [
                "Single joints, phased; a double cardan wants its pinion 0 to 2° below the shaft's line.",
                "Rules of thumb: what is left over shakes by θ²ω² up to 300 rad/s², a joint up to 1,000; no joint under 0.5°, its needles must roll.",
            ]
        );
    }

    private static BenchAnswer Yoke(Func<string, double?> number)
    {
        var longer = Driveline.LongerMm(
            (number("run")!.Value, number("drop")!.Value),
            (number("nextRun")!.Value, number("nextDrop")!.Value)
        );
        return new BenchAnswer(
            [
                Length("The yoke comes out by", longer, AxleSizes.JointUMm * Math.Sqrt(2)),
                .. number("in") is { } spline
                    ? (LabelledResult[])
                        [
                            Length(
                                "Spline that is left in",
                                spline - longer,
                                AxleSizes.JointUMm * Math.Sqrt(2)
                            ),
                        ]
                    : [],
            ],
            [
                "The axle's own movement along the vehicle counts as much as its drop: tape both.",
                "At full droop it is out farthest: look there, and that it does not bottom at full bump.",
            ]
        );
    }

    private static BenchAnswer Rim(Func<string, double?> number)
    {
        var fit = WheelFit.Of(
            number("width")!.Value,
            number("offset")!.Value,
            number("nextWidth")!.Value,
            number("nextOffset")!.Value
        );
        return new BenchAnswer(
            [
                Length("The outer face moves out by", fit.OuterMm, 1),
                Length("The inner face moves in by", fit.InnerMm, 1),
                Length("Scrub radius grows by", fit.ScrubMm, 1),
                .. Turning(number),
            ],
            [
                "Where the tyre is wider than its rim, enter the tyre's section width instead.",
                "With both diameters and the lock it tells what the gaps lose while it turns: tape them with the tyre that is on.",
            ]
        );
    }

    /// <summary>What the gaps round a steered tyre lose, where both diameters and the lock are known.</summary>
    private static IEnumerable<LabelledResult> Turning(Func<string, double?> number)
    {
        if (
            number("diameter") is not { } diameter
            || number("nextDiameter") is not { } next
            || number("lock") is not { } turned
        )
        {
            return [];
        }
        double[] typed =
        [
            diameter / 2,
            number("width")!.Value / 2,
            next / 2,
            number("nextWidth")!.Value / 2,
            number("offset")!.Value - number("nextOffset")!.Value,
            turned * Math.PI / 180,
        ];
        LabelledResult Of(string label, Func<TyreSweep, double, double> reach)
        {
            double Lost(double[] x) =>
                reach(new TyreSweep(x[2], x[3], x[4]), x[5])
                - reach(new TyreSweep(x[0], x[1], 0), x[5]);
            return Length(
                label,
                Lost(typed),
                FirstOrder.U(
                    x => Lost(x),
                    [
                        (typed[0], TyreSwap.PrintedU),
                        (typed[1], TyreSwap.ToldWidthU),
                        (typed[2], TyreSwap.PrintedU),
                        (typed[3], TyreSwap.ToldWidthU),
                        (typed[4], TyreSwap.OffsetU),
                        (typed[5], TyreContacts.LockU * Math.PI / 180),
                    ]
                )
            );
        }
        return
        [
            Of("Ahead and behind, turning, the gap loses", (t, x) => t.FarthestMm(x)),
            Of("To the frame at full lock, it loses", (t, x) => t.InsideMm(x)),
        ];
    }

    private static BenchAnswer Lamps(Func<string, double?> number)
    {
        double[] typed =
        [
            number("front")!.Value,
            number("rear")!.Value,
            number("wheelbase")!.Value,
            number("ahead")!.Value,
            number("wall")!.Value,
        ];
        static Headlights Of(double[] x) => Headlights.Of(x[0], x[1], x[2], x[3], x[4]);
        var lamps = Of(typed);
        double U(Func<Headlights, double> of) =>
            FirstOrder.U(
                x => of(Of(x)),
                [
                    (typed[0], TapeUMm),
                    (typed[1], TapeUMm),
                    (typed[2], AxleSizes.JointUMm),
                    (typed[3], AxleSizes.JointUMm),
                    (typed[4], 10),
                ]
            );
        return new BenchAnswer(
            [
                Length(
                    "Turn it down at the screw, on the wall, by",
                    lamps.TiltMm,
                    U(l => l.TiltMm)
                ),
                Length("The cut-off climbs in all by", lamps.ClimbMm, U(l => l.ClimbMm)),
                Length("The lamp itself stands higher by", lamps.LampMm, U(l => l.LampMm)),
                new(
                    "The beam tilts up by",
                    Result.Of(lamps.TiltRad * Degrees, Unit.Degree, U(l => l.TiltRad) * Degrees, [])
                ),
            ],
            [
                "Mark the cut-off on the wall before the work: the mark closes it.",
                "Only the tilt is turned back; the lawful drop counts from the lamp's new height.",
            ]
        );
    }

    private static BenchAnswer ToeOf(Func<string, double?> number)
    {
        var toe = new Toe(number("total")!.Value, number("across")!.Value);
        if (toe.PerWheelRad is not { } each)
        {
            throw new BenchException("total", "No wheel stands so crooked: check the unit.");
        }
        var side = toe.EachSideMm(number("wanted")!.Value);
        var u = TapeUMm * Math.Sqrt(2);
        return new BenchAnswer(
            [
                Length("Each side turns its front out, against its rear, by", side, u / 2),
                new(
                    "Toe-in of each wheel",
                    Result.Of(each * Degrees, Unit.Degree, u / (2 * toe.AcrossMm) * Degrees, [])
                ),
                .. number("arm") is { } arm && number("pitch") is { } pitch
                    ? (LabelledResult[])
                        [
                            new(
                                "Each sleeve, turns longer or shorter",
                                Result.Of(
                                    side / toe.AcrossMm * arm / pitch,
                                    Unit.One,
                                    u / 2 / toe.AcrossMm * arm / pitch,
                                    []
                                )
                            ),
                        ]
                    : [],
            ],
            [
                "Below zero it moves in. Roll forward before it is taped again; both sides alike keep the wheel straight.",
                "Carts and UTVs are set like this; anything for the road goes to the alignment shop, slowly and straight there.",
            ]
        );
    }
}
