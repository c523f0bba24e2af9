using Nokko.Core.Geometry;
using Nokko.Core.Stance;
using Nokko.Core.Units;

namespace Nokko.Core.Bench;

/// <content>What the vehicle carries, how it leans, and what hangs between body and wheel.</content>
public static partial class BenchSheets
{
    private static class VehicleSheets
    {
        public static BenchSheet[] All { get; } =
        [
            new(
                "axleLoads",
                "Axle loads",
                [
                    new("front", "Weight on the front axle", Unit.Kg, "1150"),
                    new("rear", "Weight on the rear axle", Unit.Kg, "850"),
                    new("load", "Load that is put on", Unit.Kg, "300"),
                    new(
                        "behind",
                        "It sits behind the front axle by",
                        Unit.Mm,
                        "3900",
                        Positive: false
                    ),
                    new("wheelbase", "Wheelbase", Unit.Mm, "3300"),
                    new("frontRating", "Front axle may carry", Unit.Kg, "", Optional: true),
                    new("rearRating", "Rear axle may carry", Unit.Kg, "", Optional: true),
                ]
            ),
            new(
                "cornerScales",
                "Corner scales",
                [
                    new("lf", "Left front", Unit.Kg, "560"),
                    new("rf", "Right front", Unit.Kg, "540"),
                    new("lr", "Left rear", Unit.Kg, "425"),
                    new("rr", "Right rear", Unit.Kg, "475"),
                    new("frontRate", "Front wheel rate", Unit.NewtonPerMm, "", Optional: true),
                    new("rearRate", "Rear wheel rate", Unit.NewtonPerMm, "", Optional: true),
                ]
            ),
            new(
                "sideSlope",
                "Side slope",
                [
                    new("track", "Track, the mean of both axles", Unit.Mm, "1600"),
                    new("height", "Centre of gravity above the floor", Unit.Mm, "700"),
                    new("rise", "It rises by", Unit.Mm, "42", Positive: false),
                ]
            ),
            new(
                "hoses",
                "Hose or lead at droop",
                [
                    new("slack", "Slack at the old full droop, both locks", Unit.Mm, "40"),
                    new("before", "Droop from ride height, before", Unit.Mm, "90"),
                    new("then", "Droop then, from the old ride height", Unit.Mm, "125"),
                    new(
                        "reach",
                        "A bracket or longer hose reaches further by",
                        Unit.Mm,
                        "",
                        Optional: true
                    ),
                ]
            ),
            new(
                "camber",
                "Camber by square",
                [
                    new("gap", "Gap at the rim's upper edge", Unit.Mm, "6", Positive: false),
                    new("between", "Between its two edges", Unit.Mm, "445"),
                    new(
                        "wanted",
                        "Wanted camber",
                        Unit.Degree,
                        "",
                        Optional: true,
                        Positive: false
                    ),
                ]
            ),
        ];
    }

    private static BenchAnswer Carried(Func<string, double?> number)
    {
        var (load, behind, wheelbase) = (
            number("load")!.Value,
            number("behind")!.Value,
            number("wheelbase")!.Value
        );
        var before = new AxleLoads(number("front")!.Value, number("rear")!.Value);
        var then = before.With(load, behind, wheelbase);
        LabelledResult Kg(string label, double kg, double? u = null) =>
            new(label, Result.Of(kg, Unit.Kg, u, []));
        double U(Func<AxleLoads, double> of) =>
            FirstOrder.U(
                x => of(new AxleLoads(x[0], x[1]).With(x[2], x[3], x[4])),
                (before.FrontKg, AxleLoadsMechanism.WeighedShare * before.FrontKg),
                (before.RearKg, AxleLoadsMechanism.WeighedShare * before.RearKg),
                (load, AxleLoadsMechanism.WeighedShare * load),
                (behind, TapeUMm),
                (wheelbase, AxleSizes.JointUMm)
            );
        var (front, rear) = (U(x => x.FrontKg), U(x => x.RearKg));
        return new BenchAnswer(
            [
                Kg("On the front axle then", then.FrontKg, front),
                Kg("On the rear axle then", then.RearKg, rear),
                .. number("frontRating") is { } f
                    ? (LabelledResult[])
                        [Kg("Left of the front axle's rating", f - then.FrontKg, front)]
                    : [],
                .. number("rearRating") is { } r
                    ? (LabelledResult[])
                        [Kg("Left of the rear axle's rating", r - then.RearKg, rear)]
                    : [],
            ],
            [
                "What sits behind the rear axle takes weight off the front one; ahead of the front axle it has a minus.",
                .. number("frontRating") < then.FrontKg
                    ? (string[])
                        ["The front axle carries more than its plate allows: it is not driven so."]
                    : [],
                .. number("rearRating") < then.RearKg
                    ? (string[])
                        ["The rear axle carries more than its plate allows: it is not driven so."]
                    : [],
                .. then.FrontKg <= 0 || then.RearKg <= 0
                    ? (string[])["An axle would be lifted off the ground."]
                    : [],
            ]
        );
    }

    /// <remarks>Source: docs/computation/geometry.md#corner-scales.</remarks>
    private static BenchAnswer Scales(Func<string, double?> number)
    {
        double[] kg =
        [
            number("lf")!.Value,
            number("rf")!.Value,
            number("lr")!.Value,
            number("rr")!.Value,
        ];
        (double, double)[] read = [.. kg.Select(k => (k, MeasureValues.ScaleUKg))];
        var share = CrossWeight.Share([.. kg.Select(k => new Estimate(k, MeasureValues.ScaleUKg))]);
        LabelledResult Of(string label, Unit unit, Func<double[], double> of) =>
            new(label, Result.Of(of(kg), unit, FirstOrder.U(x => of(x), read, []), []));
        static double Half(double[] x) => ((x.Sum() / 2) - x[1] - x[2]) / 2;
        return new BenchAnswer(
            [
                new(
                    "Cross-weight, right front and left rear, of 100",
                    Result.Of(share.Mean, Unit.One, share.Sd, [])
                ),
                Of("All four", Unit.Kg, x => x.Sum()),
                Of("On the left, of 100", Unit.One, x => 100 * (x[0] + x[2]) / x.Sum()),
                Of("On the rear, of 100", Unit.One, x => 100 * (x[2] + x[3]) / x.Sum()),
                Of("For half, right front and left rear each carry more by", Unit.Kg, Half),
                .. number("frontRate") is { } front && number("rearRate") is { } rear
                    ? (LabelledResult[])
                        [
                            Of(
                                "Which a plate does at right front or left rear alone, at the wheel",
                                Unit.Mm,
                                x => Half(x) * Gravity.NPerKg * ((2 / front) + (2 / rear))
                            ),
                        ]
                    : [],
            ],
            [
                "On level pads, tyres as they will be, anti-roll bars unhooked, driver or ballast in: moving anything moves these numbers.",
                "A plate at one corner moves weight across and leaves each axle and each side as it was; with both spring bases alike.",
            ]
        );
    }

    private static BenchAnswer Slope(Func<string, double?> number)
    {
        (double, double)[] given =
        [
            (number("track")!.Value, AxleSizes.JointUMm),
            (number("height")!.Value, SideSlopeMechanism.EnteredUMm),
            (number("rise")!.Value, TapeUMm),
        ];
        LabelledResult Of(string label, Func<double[], double> of) =>
            new(
                label,
                Result.Of(
                    of([.. given.Select(g => g.Item1)]) * Degrees,
                    Unit.Degree,
                    FirstOrder.U(x => of(x), given, []) * Degrees,
                    []
                )
            );
        if (number("height")!.Value + number("rise")!.Value <= 0)
        {
            throw new BenchException("rise", "So low its centre of gravity cannot come.");
        }
        static double Then(double[] x) => SideSlope.Rad(x[0], x[1] + x[2]);
        return new BenchAnswer(
            [
                Of("It tips on a side slope of", Then),
                Of("Before, on", x => SideSlope.Rad(x[0], x[1])),
                Of("Sooner by", x => SideSlope.Rad(x[0], x[1]) - Then(x)),
            ],
            [
                "Springs and tyres held rigid: they give, and it tips some degrees sooner, in a bend or over a stone sooner still.",
            ]
        );
    }

    private static BenchAnswer Slack(Func<string, double?> number)
    {
        var lower = number("then")!.Value - number("before")!.Value;
        var left = number("slack")!.Value - Math.Max(0, lower) + (number("reach") ?? 0);
        return new BenchAnswer(
            [
                Length("Slack that is left at full droop", left, HosesMechanism.SlackUMm),
                Length("The wheel hangs lower by", lower, HosesMechanism.SlackUMm),
                .. left < HosesMechanism.LeastMm
                    ? (LabelledResult[])
                        [
                            Length(
                                "It must reach further by",
                                HosesMechanism.LeastMm - left,
                                HosesMechanism.SlackUMm
                            ),
                        ]
                    : [],
            ],
            [
                $"{LengthText.Both(HosesMechanism.LeastMm)} should be left, a rule of thumb; at full droop and both locks, by hand and eye.",
                "A hose never carries weight: nothing is let down until it reaches.",
            ]
        );
    }

    private static BenchAnswer Square(Func<string, double?> number)
    {
        var (gap, between) = (number("gap")!.Value, number("between")!.Value);
        var u = FirstOrder.U(x => Math.Atan2(-x[0], x[1]), (gap, 1), (between, TapeUMm)) * Degrees;
        var camber = Math.Atan2(-gap, between) * Degrees;
        return new BenchAnswer(
            [
                new("Camber", Result.Of(camber, Unit.Degree, u, [])),
                .. number("wanted") is { } wanted
                    ? (LabelledResult[])
                        [
                            new("Wanted less that", Result.Of(wanted - camber, Unit.Degree, u, [])),
                            Length(
                                "The gap that shows it",
                                -between * Math.Tan(wanted / Degrees),
                                1
                            ),
                        ]
                    : [],
            ],
            [
                "The square stands on a level floor and meets the lower edge; a gap at the upper edge means that the top leans in: below zero. Where the upper edge touches first, the gap is taken at the lower one, with a minus.",
            ]
        );
    }
}
