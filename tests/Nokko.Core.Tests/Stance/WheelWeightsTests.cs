using MathNet.Numerics.Distributions;
using Nokko.Core.Finding;
using Nokko.Core.Geometry;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;
using static Nokko.Core.Tests.Stance.CrossWeightTests;

namespace Nokko.Core.Tests.Stance;

/// <summary>What four scales say of a job: read, planned, searched for, judged and kept.</summary>
public class WheelWeightsTests
{
    [Fact]
    public void Four_scales_give_the_share_and_three_give_nothing()
    {
        MeasureValue? Share(params double[] kg)
        {
            var readings = kg.Select((k, i) => Weight(300 + i, 40, Corners.All[i], k)).ToArray();
            return MeasureValues
                .Of(Sample.Round(40, Sample.AsFound.Id), readings, Sample.Pickup)
                .SingleOrDefault(m => m.Measure == MeasureValues.CrossWeight);
        }
        var all = Share(Weights)!;
        Assert.Equal(48.25, all.Value.Value!.Value, 12);
        Assert.Equal(CrossWeight.Share(Scales(Weights)).Sd, all.Value.U!.Value, 12);
        Assert.Equal(4, all.Value.RestsOn.Count);
        Assert.Null(Share(560, 540, 425));
    }

    [Theory]
    [InlineData("560 kg", 560, "kg")]
    [InlineData("1235 LB", 1235, "lb")]
    [InlineData("1235 lbs", 1235, "lb")]
    [InlineData(" 1200,5 ", 1200.5, "lb")]
    public void A_weight_is_read_in_the_unit_that_is_said(string text, double value, string unit)
    {
        var read = Read(text);
        Assert.Equal((value, unit), (read.Value!.Value, read.Value.Unit.ToString()));
        Assert.Equal(
            (560.0, Unit.Kg),
            MeasureReader.Read("560", Scale, new LengthStyle(Unit.Mm, 1), 1, []).Value is { } metric
                ? (metric.Value, metric.Unit)
                : default
        );
    }

    [Fact]
    public void What_is_no_weight_is_refused_and_an_unusual_one_asked_about()
    {
        foreach (var text in (string[])["", "heavy", "-5 kg", "0", "560 mm", "1e9", "5 kg lb"])
        {
            Assert.Contains(
                "Write a weight",
                Assert.IsType<TapeReading.Refused>(Read(text).Trouble).Reason,
                StringComparison.Ordinal
            );
        }
        // At the border it is usual still.
        foreach (var (kg, off) in new[] { (Scale.Low, -1), (Scale.High, 1) })
        {
            string Typed(double of) =>
                string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{of} kg");
            Assert.Null(Read(Typed(kg)).Trouble);
            Assert.NotNull(Read(Typed(kg + off)).Trouble);
        }
        var asked = Assert.IsType<TapeReading.Asked>(Read("60 kg").Trouble);
        Assert.Contains("60 kg is outside", asked.Question, StringComparison.Ordinal);
        Assert.Equal(60, Read("60 kg", HeightReader.AsRead).Value!.Value);
    }

    [Fact]
    public void The_plan_that_is_said_to_even_the_diagonals_does()
    {
        var situation = Weighed(Sample.Level with { EvenDiagonals = true });
        var before = Scaled(Sample.Plan(), situation);
        Assert.Equal(-1.75, before.Ways[0].Figure.Value!.Value, 9);
        Assert.Equal("vehicle", before.Where);
        Assert.Equal(
            [48.25, 560, 540, 425, 475],
            before.Ways[0].Also.Select(a => Math.Round(a.Result.Value!.Value, 9))
        );
        Assert.StartsWith(
            "Right front and left rear carry 48.3 of 100.",
            before.Says,
            StringComparison.Ordinal
        );
        var cures = before.Ways.Where(w => w.Kind == WayKind.Cure).ToArray();
        Assert.Equal(2, cures.Length);
        Assert.Contains("right front", cures[0].Said, StringComparison.Ordinal);
        Assert.Contains("left rear", cures[1].Said, StringComparison.Ordinal);
        // A block on the left rear spring that raises it by what was said.
        var mm = -before.Ways[0].Figure.Value!.Value / Diagonals(situation)[2];
        var after = Scaled(
            Sample.Plan((Corner.LR, Sample.Plate(70, mm, PartKind.Block))),
            situation
        );
        Assert.Equal(0, after.Stands.Figure.Value!.Value, 0.05);
        Assert.True(after.Stands.Figure.U > after.Ways[0].Figure.U);
        Assert.Contains("even", after.Says, StringComparison.Ordinal);
        Assert.False(after.Beyond);
    }

    [Fact]
    public void Diagonals_that_a_plan_makes_worse_are_beyond_only_where_they_are_wanted_even()
    {
        var worse = Sample.Plan((Corner.LF, Sample.Plate(70, 20)));
        var wanted = Scaled(worse, Weighed(Sample.Level with { EvenDiagonals = true }));
        Assert.True(wanted.Beyond);
        Assert.Equal(CrossWeight.EvenWithin, wanted.Limit);
        Assert.False(Scaled(worse, Weighed(Sample.Level)).Beyond);
        Assert.DoesNotContain(
            PlanGeometry.Of(worse, Weighed(Sample.Level) with { Weighed = null }).Mechanisms,
            m => m.Kind == MechanismKind.CornerScales
        );
    }

    [Fact]
    public void A_load_that_stays_moves_them_too_and_one_that_goes_does_not()
    {
        StatedLoad battery = new()
        {
            Id = Sample.Id(61),
            Name = "battery",
            Mass = Sample.Of(40, Unit.Kg),
            Behind = Sample.Mm(0),
            Left = Sample.Mm(-820),
            Stays = true,
        };
        double Then(bool stays)
        {
            var mechanism = Scaled(
                Sample.Plan(),
                Weighed(Sample.Level) with
                {
                    Loads = [battery with { Stays = stays }],
                }
            );
            return mechanism.Stands.Figure.Value!.Value;
        }
        Assert.Equal(-1.75, Then(false), 9);
        // Over the right front wheel: its own axle, on wider springs, holds more than half of the roll, and no more than all of it.
        Assert.InRange(
            Then(true),
            (100 * (965 + 20) / 2040.0) - 50,
            (100 * (965 + 40) / 2040.0) - 50
        );
    }

    [Fact]
    public void The_chance_of_landing_is_that_of_dice()
    {
        var target = Sample.Level with { Rake = null, EvenDiagonals = true };
        var situation = Weighed(target);
        var plan = Sample.Plan((Corner.LR, Sample.Plate(70, 18, PartKind.Block)));
        var chance = Predictor.Predict(plan, situation).Landing!.Value!.Value;
        var mechanism = Scaled(plan, situation);
        var (mean, sd) = mechanism.Stands.Figure.Have();
        Assert.Equal(
            Normal.CDF(mean, sd, CrossWeight.EvenWithin)
                - Normal.CDF(mean, sd, -CrossWeight.EvenWithin),
            chance,
            1e-4
        );
        Assert.Contains(
            "Not weighed",
            Predictor.Predict(plan, situation with { Weighed = null }).Landing!.Cannot,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_search_that_wants_them_even_finds_the_corner()
    {
        Part block = new()
        {
            Id = Sample.Id(900),
            Number = "B-18",
            Name = "block",
            Kind = PartKind.Block,
            Thickness = Sample.Mm(18),
            Count = 4,
        };
        var found = new StackSearch(
            Weighed(Sample.Level with { Rake = null, EvenDiagonals = true }),
            [block],
            new SearchRules { SidesDiffer = true }
        )
            .Run(CancellationToken.None)
            .First(n => n is { Proved: true, Found.Stopped: null })
            .Found!;
        Assert.Equal([Corner.LR], found.Plan.Stacks.Select(s => s.Corner));
    }

    [Fact]
    public void The_scales_after_the_work_judge_it()
    {
        Assert.Equal(Verdict.Reached, Proved([550, 555, 447, 448]));
        Assert.Equal(Verdict.NotReached, Proved([570, 530, 425, 475]));
        Assert.Equal(Verdict.CannotTell, Proved(null));
        // 47.75 of 100: within three of the half, where that is enough for the job.
        Assert.Equal(
            Verdict.Reached,
            Proved(
                [570, 530, 425, 475],
                new GeometryLimit(MechanismKind.CornerScales, Sample.Of(3, Unit.One))
            )
        );
    }

    [Fact]
    public void They_are_asked_for_where_they_are_wanted_even()
    {
        var job = Sample.Job([520, 1040, 580, 580, 1040, 520]);
        Assert.DoesNotContain(AskedMeasures.Of(job), a => a.Measure == Measures.WheelWeight);
        var wanted = job with
        {
            Job = job.Job with { Target = Sample.Level with { EvenDiagonals = true } },
        };
        Assert.Equal(
            ["LF", "RF", "LR", "RR"],
            AskedMeasures
                .Of(wanted)
                .Where(a => a is { Measure: Measures.WheelWeight, NowOrNever: true })
                .Select(a => a.Place)
        );
        // Nobody weighed it before: what was wanted is judged after all the same.
        var after = Sample.Job([520, 1040, 580, 580, 1040, 520], [575, 1075, 580, 580, 1075, 575]);
        Assert.Equal(
            4,
            AskedMeasures
                .Of(after with { Job = wanted.Job })
                .Count(a => a is { Measure: Measures.WheelWeight, NowOrNever: false, Done: false })
        );
    }

    [Fact]
    public void A_wish_for_even_diagonals_needs_scales_first()
    {
        var wish = new Wish(WishKind.EvenDiagonals);
        Assert.True(wish.On(Weighed(Sample.Level)).Target!.EvenDiagonals);
        Assert.Contains(
            "Weigh it first",
            wish.On(Weighed(Sample.Level) with { Weighed = null }).Why,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Weights_travel_in_a_file_and_no_other_kind_passes_for_them()
    {
        var job = Sample.Job([520, 1040, 580, 580, 1040, 520]);
        JobDocument With(ReadingKind kind, double value, Unit unit) =>
            job with
            {
                Readings =
                [
                    .. job.Readings,
                    .. Corners.All.Select(
                        (c, i) =>
                            Weight(300 + i, 40, c, value) with
                            {
                                Kind = kind,
                                Value = Sample.Of(value, unit, Known.Measured),
                            }
                    ),
                ],
            };
        var file = JobJson.Canonical(With(ReadingKind.Load, 540, Unit.Kg));
        Assert.Equal(file, JobJson.Canonical(JobFileReader.Read(file).Document!));
        var error = JobFileReader
            .Read(JobJson.Canonical(With(ReadingKind.Length, 540, Unit.Mm)))
            .Error!;
        Assert.Equal("$.readings[6].kind", error.Path);
        // Nothing stands on nothing.
        Assert.DoesNotContain(
            JobEvaluator.Evaluate(With(ReadingKind.Load, 0, Unit.Kg)).WalkRounds[0].Measures,
            m => m.Measure == MeasureValues.CrossWeight
        );
    }

    internal static Reading Weight(int id, int round, Corner corner, double kg) =>
        Sample.Reading(id, round, null, 0) with
        {
            Kind = ReadingKind.Load,
            Measure = Measures.WheelWeight,
            Place = new() { Kind = PlaceKind.Wheel, Name = corner.Name() },
            From = null,
            Value = Sample.Of(kg, Unit.Kg, Known.Measured),
        };

    private static Measure Scale => Measures.Find(Measures.WheelWeight)!;

    private static MeasuredText Read(string text, params string[] answers) =>
        MeasureReader.Read(text, Scale, LengthStyle.Inches, 25.4 / 16, answers);

    private static Situation Weighed(Target target) =>
        new(Sample.AsFound, Sample.Pickup, Sample.Stance())
        {
            Target = target,
            Weighed = Scales(Weights),
        };

    private static Mechanism Scaled(Plan plan, Situation situation) =>
        PlanGeometry
            .Of(plan, situation)
            .Mechanisms.Single(m => m.Kind == MechanismKind.CornerScales);

    /// <summary>Change for each mm at each spring, of 100.</summary>
    private static double[] Diagonals(Situation situation) =>
        [
            .. CrossWeight
                .Of(situation.Vehicle)
                .Moves!.NPerMm.Select(n => 100 * n / (Gravity.NPerKg * Weights.Sum())),
        ];

    private static Verdict Proved(double[]? after, params GeometryLimit[] own)
    {
        var job = Sample.Job([520, 1040, 580, 580, 1040, 520], [575, 1075, 580, 580, 1075, 575]);
        var frozen = job.FrozenPredictions[0];
        var of = after is null
            ? []
            : after.Select((kg, i) => Weight(400 + i, 41, Corners.All[i], kg));
        var plan = job.Plans[0];
        var done = job with
        {
            FrozenPredictions =
            [
                frozen with
                {
                    Target = Sample.Level with { Rake = null, EvenDiagonals = true },
                },
            ],
            Readings = [.. job.Readings, .. of],
            Job = job.Job with { Limits = own.Length > 0 ? own : null },
        };
        return JobEvaluator
            .Evaluate(done)
            .Proofs[0]
            .Target.Single(t => t.What == "diagonals")
            .Reached;
    }

    [Fact]
    public void A_shop_that_wants_them_closer_is_judged_by_its_own_in_geometry_and_in_the_odds()
    {
        var even = Sample.Level with { EvenDiagonals = true };
        Situation With(double within) =>
            Weighed(even) with
            {
                Limits = new([
                    new GeometryLimit(MechanismKind.CornerScales, Sample.Of(within, Unit.One)),
                ]),
            };
        var worse = Sample.Plan((Corner.LF, Sample.Plate(70, 20)));
        var off = Math.Abs(Scaled(worse, With(0.5)).Stands.Figure.Value!.Value);
        Assert.True(Scaled(worse, With(off - 0.1)).Beyond);
        Assert.False(Scaled(worse, With(off + 0.1)).Beyond);
        double Landing(double within) =>
            Predictor.Predict(worse, With(within)).Landing!.Value!.Value;
        Assert.True(Landing(5) > Landing(0.2));
        Assert.Contains(
            "between 0.1 of 100 and 5 of 100",
            GeometryLimits.WhyNot(new(MechanismKind.CornerScales, Sample.Of(9, Unit.One))),
            StringComparison.Ordinal
        );
    }
}
