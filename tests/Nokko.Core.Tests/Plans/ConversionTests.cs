using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>Another suspension under an axle: where it comes to rest, what it leaves as it was.</summary>
public class ConversionTests
{
    /// <summary>Links and coils for the leaf rear of the pickup: the coil 380 long where the lips stand at 600.</summary>
    private static readonly (string, double)[] Coils =
    [
        (SuspensionSizes.SpringLength, 380),
        (SuspensionSizes.SpringFreeLength, 450),
        (SuspensionSizes.SpringRate, 48),
    ];

    private static AxleConversion Links(params (string, double)[] sizes) =>
        new()
        {
            Axle = Axle.Rear,
            To = StacksTests.Of(SuspensionKind.CoilFourLink, sizes) with
            {
                Sheet = "Alder sheet 12",
            },
            SetUpAt = Sample.Mm(600),
        };

    private static Plan With(
        AxleConversion conversion,
        params (Corner Corner, PlacedPart Part)[] parts
    ) => Sample.Plan(parts) with { Conversions = [conversion] };

    private static Situation As(WalkRoundStance? baseline = null) =>
        new(Sample.AsFound, StacksTests.On(), baseline ?? Sample.Stance());

    private static Prediction Predict(
        AxleConversion conversion,
        WalkRoundStance? baseline = null,
        params (Corner Corner, PlacedPart Part)[] parts
    ) => Predictor.Predict(With(conversion, parts), As(baseline));

    private static Result After(Prediction p, string station) =>
        p.Stations.First(s => s.Station == station).Height;

    /// <summary>N = 800 kg · 9.80665 / 2 · (1 − 0.2).</summary>
    private const double LoadN = 800 * 9.80665 / 2 * 0.8;

    [Fact]
    public void It_stands_where_its_springs_carry_the_load_whatever_stood_there_before()
    {
        var p = Predict(Links(Coils));
        Assert.Null(p.Cannot);
        // By hand: 450 − 3138 / 48 = 384.6, which is 4.6 longer than at 600.
        var rest = 600 + (450 - (LoadN / 48) - 380);
        Assert.Equal(604.6, rest, 1);
        Assert.Equal(rest, After(p, "LR").Value!.Value, 6);
        Assert.Equal(rest - 580, p.RearRise.Value!.Value, 6);
        Assert.Equal(0, p.FrontRise.Value!.Value, 6);
        Assert.Equal(rest - 520, p.Rake.Value!.Value, 6);
        // Lower or higher before, it ends in the same place.
        var sagged = StanceOf.Compute(
            Sample.Round(40, Sample.AsFound.Id),
            Sample.Readings(100, 40, 520, 1040, 560, 560, 1040, 520),
            Sample.Pickup
        );
        Assert.Equal(rest, After(Predict(Links(Coils), sagged), "RR").Value!.Value, 6);
    }

    [Fact]
    public void A_stack_on_the_new_springs_counts_from_them_and_what_stood_on_the_old_ones_is_gone()
    {
        var bare = Predict(Links(Coils));
        var block = Sample.Plate(31, 50, PartKind.Block);
        var with = Predictor.Predict(
            With(
                Links(Coils),
                (Corner.LR, Sample.Plate(30, 20, PartKind.CoilSpacer)),
                (Corner.RR, Sample.Plate(32, 20, PartKind.CoilSpacer))
            ),
            As() with
            {
                From = Sample.AsFound with
                {
                    Stacks =
                    [
                        new CornerStack { Corner = Corner.LR, Parts = [block] },
                        new CornerStack
                        {
                            Corner = Corner.RR,
                            Parts = [block with { Id = Sample.Id(33) }],
                        },
                    ],
                },
            }
        );
        Assert.Equal(bare.RearRise.Value!.Value + 20, with.RearRise.Value!.Value, 6);
    }

    [Fact]
    public void A_lift_ratio_carries_the_spring_s_settling_to_the_wheel()
    {
        // Struts whose coil settles by 10 mm along the strut: 1.07 times as much at the wheel.
        var load = 1100 * 9.80665 / 2 * 0.88 * 1.07;
        var p = Predict(
            new AxleConversion
            {
                Axle = Axle.Front,
                To = StacksTests.Of(
                    SuspensionKind.Strut,
                    (SuspensionSizes.SpringLength, 300),
                    (SuspensionSizes.SpringRate, 40),
                    (SuspensionSizes.SpringFreeLength, 290 + (load / 40))
                ),
                SetUpAt = Sample.Mm(540),
            }
        );
        Assert.Equal(540 - (1.07 * 10), After(p, "LF").Value!.Value, 6);
    }

    [Fact]
    public void Today_s_readings_are_in_the_rise_and_not_in_the_height_that_follows()
    {
        // Found a second way: each reading is moved by a millimetre, and what the heights do with it is what its error does.
        double[] read = [520, 1040, 580, 580, 1040, 520];
        Prediction At(double[] mm, double u) => Predict(Links(Coils), Stance(mm, u));
        var (sharp, blunt) = (At(read, 0.001), At(read, 4));
        foreach (var station in new[] { "LR", "RR", "LF", "RF", "LM", "RM" })
        {
            var variance = 0.0;
            for (var i = 0; i < read.Length; i++)
            {
                double[] moved = [.. read];
                moved[i] += 1;
                var per =
                    After(At(moved, 1), station).Value!.Value
                    - After(At(read, 1), station).Value!.Value;
                variance += per * per * 4 * 4;
            }
            Assert.Equal(
                Math.Sqrt(Math.Pow(After(sharp, station).U!.Value, 2) + variance),
                After(blunt, station).U!.Value,
                3
            );
        }
        // The rear's rise holds both rear readings, half of each.
        Assert.Equal(
            Math.Sqrt(Math.Pow(sharp.RearRise.U!.Value, 2) + (16 / 2.0)),
            blunt.RearRise.U!.Value,
            3
        );
        // Of the rake only the front's readings are left.
        Assert.Equal(
            Math.Sqrt(Math.Pow(sharp.Rake.U!.Value, 2) + (16 / 2.0)),
            blunt.Rake.U!.Value,
            3
        );
    }

    /// <summary>A stance whose lips are known to a standard uncertainty, each by itself.</summary>
    private static WalkRoundStance Stance(double[] mm, double u)
    {
        var stance = StanceOf.Compute(
            Sample.Round(40, Sample.AsFound.Id),
            Sample.Readings(100, 40, mm),
            Sample.Pickup
        );
        Result With(Result r, double sd) => Result.Of(r.Value!.Value, r.Unit, sd, r.RestsOn);
        return stance with
        {
            Stations = [.. stance.Stations.Select(s => s with { Height = With(s.Height, u) })],
            Rake = With(stance.Rake, u),
            LeanFront = With(stance.LeanFront, u * Math.Sqrt(2)),
            LeanRear = With(stance.LeanRear, u * Math.Sqrt(2)),
        };
    }

    [Fact]
    public void The_chance_of_landing_is_that_of_the_predicted_rake_with_its_own_uncertainty()
    {
        // Only a rake is wanted: the chance is that of one normal figure within its tolerance.
        var target = Sample.Level with
        {
            Rake = Sample.Mm(85),
            Tolerance = Sample.Mm(8),
        };
        var p = Predictor.Predict(
            With(Links(Coils)),
            As(Stance([520, 1040, 580, 580, 1040, 520], 4)) with
            {
                Target = target,
            }
        );
        var (mean, sd) = (p.Rake.Value!.Value, p.Rake.U!.Value);
        double Below(double x) => MathNet.Numerics.Distributions.Normal.CDF(mean, sd, x);
        Assert.Equal(Below(93) - Below(77), p.Landing!.Value!.Value, 3);
    }

    [Fact]
    public void The_chance_of_a_lift_has_the_readings_from_which_it_counts()
    {
        // Only a least lift behind is wanted: one normal figure again, and this one holds the errors of both readings.
        var target = Sample.Level with
        {
            Rake = null,
            LeastRearLift = Sample.Mm(30),
            Tolerance = Sample.Mm(2),
        };
        var p = Predictor.Predict(
            With(Links(Coils)),
            As(Stance([520, 1040, 580, 580, 1040, 520], 12)) with
            {
                Target = target,
            }
        );
        var below = MathNet.Numerics.Distributions.Normal.CDF(
            p.RearRise.Value!.Value,
            p.RearRise.U!.Value,
            28
        );
        Assert.InRange(below, 0.2, 0.9);
        Assert.Equal(1 - below, p.Landing!.Value!.Value, 3);
    }

    [Fact]
    public void Before_anybody_measured_neither_a_height_nor_what_moves_is_told()
    {
        var unread = As() with { Baseline = null };
        var p = Predictor.Predict(With(Links(Coils)), unread);
        Assert.Contains("walk round the vehicle first", p.Cannot, StringComparison.Ordinal);
        // What the lamps rise over today would be a figure of nothing.
        Assert.Equal(p.Cannot, PlanGeometry.Of(With(Links(Coils)), unread).LampRise.Cannot);
    }

    [Fact]
    public void Its_uncertainty_agrees_with_a_simulation()
    {
        var random = new Random(5);
        var normal = new MathNet.Numerics.Distributions.Normal(0, 1, random);
        double Drawn(double sd) => sd * normal.Sample();
        // Load 5 %, rate 3 %, lengths as they were measured (2 mm), ratio 3 % of the settling.
        var after = Enumerable
            .Range(0, 40_000)
            .Select(_ =>
            {
                var length =
                    450 + Drawn(2) - (LoadN * (1 + Drawn(0.05)) / (48 * (1 + Drawn(0.03))));
                return 600 + Drawn(2) + ((1 + Drawn(0.03)) * (length - 380 - Drawn(2)));
            })
            .ToArray();
        var sd = MathNet.Numerics.Statistics.Statistics.StandardDeviation(after);
        var told = After(
            Predict(Links(Coils), Stance([520, 1040, 580, 580, 1040, 520], 0.001)),
            "LR"
        );
        Assert.InRange(told.U!.Value, 0.97 * sd, 1.03 * sd);
    }

    [Theory]
    [InlineData(SuspensionSizes.SpringLength, "its spring's length at that height")]
    [InlineData(SuspensionSizes.SpringFreeLength, "its spring's free length")]
    [InlineData(SuspensionSizes.SpringRate, "its spring's rate")]
    public void What_is_missing_is_named_and_no_height_is_told(string without, string says)
    {
        var p = Predict(Links([.. Coils.Where(c => c.Item1 != without)]));
        Assert.Contains($"Missing: {says}.", p.Cannot, StringComparison.Ordinal);
        Assert.Null(p.RearRise.Value);
    }

    [Fact]
    public void What_no_figure_can_tell_has_its_reason()
    {
        Assert.Contains(
            "Missing: the height of the lips",
            Predict(Links(Coils) with { SetUpAt = null }).Cannot,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "pushed shut",
            Predict(Links([.. Coils, (SuspensionSizes.CoilBind, 390)])).Cannot,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "read the lips from there too",
            Predict(Links(Coils) with { From = Datum.Floor }).Cannot,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "seen once the weight is on it",
            Predict(Links() with { To = StacksTests.Of(SuspensionKind.LeafUnderslung) }).Cannot,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "A controller holds",
            Predict(
                Links(Coils) with
                {
                    To = Links(Coils).To with { HeightControl = HeightControl.OneSensor },
                }
            ).Cannot,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "Both lips at the rear must be read",
            Predict(
                Links(Coils),
                Sample.Stance() with
                {
                    Stations = [.. Sample.Stance().Stations.Where(s => s.Station != "LR")],
                }
            ).Cannot,
            StringComparison.Ordinal
        );
        // A part of the old suspension has no place on the new one.
        Assert.Contains(
            Predict(Links(Coils), null, (Corner.LR, Sample.Plate(30, 50, PartKind.Block))).Refusals,
            r => r.Contains("has no place on this suspension", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void What_moves_on_it_counts_from_where_its_sizes_were_taken()
    {
        // The spring settles to the very length at which it was set up: nothing has moved against the sizes, however far the lips rose.
        var even = Links([
            .. Geometry.Moved.Bar,
            (SuspensionSizes.SpringLength, 450 - (LoadN / 48)),
            (SuspensionSizes.SpringFreeLength, 450),
            (SuspensionSizes.SpringRate, 48),
        ]);
        Mechanism Bar(AxleConversion conversion) =>
            Geometry.Moved.One(
                PlanGeometry.Of(With(conversion), As()),
                MechanismKind.TrackBar,
                "rear"
            );
        double Across(Mechanism bar) =>
            bar.Ways.FirstOrDefault(w => w.Kind == WayKind.Lifted)?.Figure.Value ?? 0;
        Assert.Equal(0, Across(Bar(even)), 6);
        Assert.Equal("As it is set up", Bar(even).Ways[0].Said);
        // Set up 30 lower, it settles 30 higher: the bar swings as it would under a lift of 30.
        var higher = even with
        {
            To = even.To with
            {
                Dimensions = new Dictionary<string, Quantity>(even.To.Dimensions)
                {
                    [SuspensionSizes.SpringLength] = Sample.Mm(420 - (LoadN / 48)),
                },
            },
        };
        var lifted = Geometry.Moved.One(
            Geometry.Moved.Of(StacksTests.On(rear: even.To), Geometry.Moved.Rings(0, 30)),
            MechanismKind.TrackBar,
            "rear"
        );
        Assert.True(Math.Abs(Across(lifted)) > 0.5);
        Assert.Equal(Across(lifted), Across(Bar(higher)), 6);
    }

    [Fact]
    public void The_track_that_it_brings_is_the_vehicle_s_from_then_on()
    {
        var wide = Links(Coils);
        wide = wide with { To = wide.To with { Track = Sample.Mm(1720) } };
        var vehicle = StacksTests.On().Converted(With(wide));
        Assert.Equal(1720, vehicle.Dimensions.RearTrack!.In(Unit.Mm));
        Assert.Equal(1640, vehicle.Dimensions.FrontTrack!.In(Unit.Mm));
        Assert.Equal(SuspensionKind.CoilFourLink, vehicle.Rear.Kind);
    }

    [Fact]
    public void What_it_leaves_to_do_is_told_of_its_own_axle_alone()
    {
        var p = Predict(Links(Coils));
        Assert.Contains(
            p.Companions,
            c =>
                c is { Where: "rear", What: "Alignment of all four wheels", Word: Consequence.Must }
        );
        Assert.Contains(
            p.Companions,
            c => c.What.StartsWith("Propshaft", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(
            p.Companions,
            c => c.What.StartsWith("Track bar and drag link", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(p.Companions, c => c.Where == "front");
        // What costs hours and no part.
        Assert.Equal(
            ["Approval of the conversion", "Its sizes taped again once it stands"],
            p.Companions.Where(c =>
                    c.Work
                    && (
                        c.What.StartsWith("Approval", StringComparison.Ordinal)
                        || c.What.StartsWith("Its sizes", StringComparison.Ordinal)
                        || c.What.StartsWith("Propshaft", StringComparison.Ordinal)
                    )
                )
                .Select(c => c.What)
        );
    }
}
