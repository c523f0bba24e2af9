using System.Globalization;
using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Nokko.Core.Proof;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Practice;

/// <summary>A practice vehicle stands as its springs, floor, tyres and parts make it stand.</summary>
public sealed class PracticeVehicleTests
{
    private const double Radius = 372;

    private static readonly DateTimeOffset Late = DateTimeOffset.MaxValue;

    internal static HiddenTruth Truth(params HiddenFault[] faults) =>
        new()
        {
            Seed = 1,
            Level = 1,
            Course = Course.Level,
            Healthy = new Dictionary<string, double>
            {
                ["LF"] = 520,
                ["RF"] = 521,
                ["LR"] = 570,
                ["RR"] = 569,
                ["LM"] = 670,
                ["RM"] = 671,
            },
            RadiusMm = Radius,
            FrontShare = 1.05,
            RearShare = 0.95,
            Faults = faults,
            Flaws = [],
        };

    private static double Stands(
        string station,
        Datum from,
        HiddenTruth truth,
        JobDocument? job = null,
        params PracticeAct[] acts
    )
    {
        job ??= new Workshop().Document;
        return new PracticeVehicle(job, truth, acts)
            .TrueMm(job.CurrentStage()!.Id, station, from, Settled.Rolled, Late)!
            .Value;
    }

    private static double[] Lips(HiddenTruth truth, JobDocument? job = null) =>
        [.. Corners.All.Select(c => Stands(c.Name(), Datum.Hub, truth, job))];

    [Fact]
    public void The_same_seed_is_the_same_vehicle()
    {
        foreach (var course in (Course[])[Course.Measure, Course.Level, Course.WentWrong])
        {
            foreach (var level in (int[])[1, 2, 3])
            {
                var (one, two) = (
                    HiddenTruth.Draw(7, level, course),
                    HiddenTruth.Draw(7, level, course)
                );
                Assert.Equal(Written(one), Written(two));
                Assert.NotEqual(Written(one), Written(HiddenTruth.Draw(8, level, course)));
            }
        }
        Assert.Throws<ArgumentOutOfRangeException>(() => HiddenTruth.Draw(7, 0, Course.Level));
        Assert.Throws<ArgumentOutOfRangeException>(() => HiddenTruth.Draw(7, 4, Course.Level));
        Assert.Throws<ArgumentOutOfRangeException>(() => HiddenTruth.Draw(7, 1, Course.OwnJob));

        static string Written(HiddenTruth truth) =>
            System.Text.Json.JsonSerializer.Serialize(truth, JobJson.Options);
    }

    [Fact]
    public void Levels_hide_more_and_every_fault_comes_up()
    {
        var seen = new HashSet<Fault>();
        for (var seed = 0; seed < 200; seed++)
        {
            Assert.Single(
                HiddenTruth.Draw(seed, 1, Course.Measure).Faults,
                f => f.Of == Fault.LoadLeftIn
            );
            Assert.Empty(HiddenTruth.Draw(seed, 1, Course.Level).Faults);
            var hard = HiddenTruth.Draw(seed, 3, Course.Measure);
            Assert.Equal(2, hard.Faults.Select(f => f.Of).Distinct().Count());
            Assert.Equal(5, hard.Flaws.Select(f => f.Station).Distinct().Count());
            var wrong = HiddenTruth.Draw(seed, 3, Course.WentWrong);
            Assert.Single(wrong.Faults, f => LookRule.CauseOf(f.Of) is not null);
            // What it is off by is what went wrong, not what this vehicle does otherwise.
            Assert.Equal(1, wrong.FrontShare);
            seen.UnionWith(hard.Faults.Concat(wrong.Faults).Select(f => f.Of));
            // Nose-down by what a plate can take out.
            var rake = hard.Healthy["LR"] - hard.Healthy["LF"];
            Assert.InRange(rake, 40, 68);
        }
        Assert.Equal(Enum.GetValues<Fault>().Length, seen.Count);
    }

    [Fact]
    public void A_tape_is_first_held_wrong_at_more_stations_the_higher_the_level_by_eye_and_by_hook()
    {
        var (eyes, held) = (new HashSet<int>(), new HashSet<string>());
        for (var seed = 0; seed < 40; seed++)
        {
            foreach (var level in (int[])[1, 2, 3])
            {
                var flaws = HiddenTruth.Draw(seed, level, Course.Measure).Flaws;
                Assert.Equal((2 * level) - 1, flaws.Count);
                held.Add(flaws[0].Station);
                // By turns: an eye off by one step, a hook that hangs by a quarter inch or more.
                foreach (var (flaw, i) in flaws.Select((f, i) => (f, i)))
                {
                    Assert.Equal(i % 2 == 0 ? 1 : 0, Math.Abs(flaw.Eye));
                    if (i % 2 == 0)
                    {
                        Assert.Equal(0, flaw.HookMm);
                    }
                    else
                    {
                        Assert.InRange(flaw.HookMm, 6, 11);
                    }
                }
                eyes.UnionWith(flaws.Select(f => f.Eye).Where(e => e != 0));
            }
        }
        Assert.Equal([-1, 1], eyes.Order());
        // Nobody can know beforehand at which.
        Assert.Equal(6, held.Count);
    }

    [Fact]
    public void Vehicles_do_what_is_foretold_by_four_hundredths_more_or_less_and_never_by_over_eight()
    {
        double[] shares =
        [
            .. Enumerable
                .Range(0, 300)
                .Select(seed => HiddenTruth.Draw(seed, 1, Course.Level))
                .SelectMany(t => new[] { t.FrontShare, t.RearShare }),
        ];
        Assert.All(shares, s => Assert.InRange(s, 0.92, 1.08));
        Assert.Equal(1, shares.Average(), 0.01);
        // Of a normal cut at two of its deviations 0.96 of that deviation is left.
        Assert.Equal(0.04 * 0.96, Math.Sqrt(shares.Average(s => (s - 1) * (s - 1))), 0.004);
    }

    [Fact]
    public void Every_course_has_its_rule_and_a_job_of_the_shop_one_of_its_own()
    {
        Assert.Equal(
            ["Measure", "Level a pickup", "A lift that went wrong", "One of our own jobs"],
            Enum.GetValues<Course>().Select(c => CourseRule.For(c).Title)
        );
        Assert.All(Enum.GetValues<Course>(), c => Assert.Equal(c, CourseRule.For(c).Of));
    }

    [Fact]
    public void Without_a_fault_it_stands_as_it_is_and_datums_lie_a_radius_apart()
    {
        Assert.Equal([520, 521, 570, 569], Lips(Truth()).Select(l => Math.Round(l, 9)));
        Assert.Equal(570 + Radius, Stands("LR", Datum.Floor, Truth()), 1e-9);
        // A 17 in rim and its flanges: (17 · 25.4 + 35) / 2.
        Assert.Equal(570 + 233.4, Stands("LR", Datum.Rim, Truth()), 1e-9);
        var job = new Workshop().Document;
        var vehicle = new PracticeVehicle(job, Truth(), []);
        Assert.Null(
            vehicle.TrueMm(job.CurrentStage()!.Id, "LR", Datum.Frame, Settled.Rolled, Late)
        );
        Assert.Null(
            vehicle.TrueMm(job.CurrentStage()!.Id, "roof", Datum.Hub, Settled.Rolled, Late)
        );
        Assert.Null(vehicle.TrueMm(Guid.Empty, "LR", Datum.Hub, Settled.Rolled, Late));
    }

    [Theory]
    [InlineData(Settled.No, 6)]
    [InlineData(Settled.Bounced, 2)]
    [InlineData(Settled.Rolled, 0)]
    [InlineData(Settled.Driven, 0)]
    public void What_was_not_settled_stands_high(Settled settled, double by)
    {
        var job = new Workshop().Document;
        Assert.Equal(
            520 + by,
            new PracticeVehicle(job, Truth(), [])
                .TrueMm(job.CurrentStage()!.Id, "LF", Datum.Hub, settled, Late)!
                .Value,
            1e-9
        );
    }

    [Fact]
    public void A_load_at_the_back_lowers_the_rear_by_what_it_takes_and_leaves_the_front()
    {
        // Alike on both sides of an axle: no rate shows (docs/computation/body-on-springs.md).
        var lips = Lips(Truth(new HiddenFault(Fault.LoadLeftIn, "rear", 20)));
        Assert.Equal([520, 521, 550, 549], lips.Select(l => Math.Round(l, 6)));
    }

    [Fact]
    public void One_tired_spring_leans_its_end_and_loads_a_diagonal()
    {
        var (well, tired) = (
            Lips(Truth()),
            Lips(Truth(new HiddenFault(Fault.TiredSpring, "LF", 20)))
        );
        var fell = well.Zip(tired, (a, b) => a - b).ToArray();
        Assert.True(fell[0] > fell[1] && fell[0] is > 5 and < 20);
        // The middle of the axle falls by half: heave carries no share of the bars.
        Assert.Equal(10, (fell[0] + fell[1]) / 2, 1e-6);
        Assert.Equal(0, (fell[2] + fell[3]) / 2, 1e-6);
    }

    [Fact]
    public void Under_a_soft_tyre_the_floor_stays_and_under_a_low_pad_it_goes_down()
    {
        var soft = Truth(new HiddenFault(Fault.SoftTyre, "RR", 18));
        var low = Truth(new HiddenFault(Fault.FloorOff, "RR", 18));
        foreach (var corner in Corners.All.Select(c => c.Name()))
        {
            // Over its hub a lip does not know why its wheel went down.
            Assert.Equal(Stands(corner, Datum.Hub, soft), Stands(corner, Datum.Hub, low), 1e-9);
            // From the floor that is read from, a hub stands a radius high, but over a soft tyre.
            double HubOverFloor(HiddenTruth truth) =>
                Stands(corner, Datum.Floor, truth) - Stands(corner, Datum.Hub, truth);
            Assert.Equal(Radius, HubOverFloor(low), 1e-9);
            // Lips stand at y 800, wheels at 820: a line across from 0 on the left to −18 on the right.
            var (at, off) = (18 * (1 + (800 / 820.0)) / 2, 18 * (1 - (800 / 820.0)) / 2);
            Assert.Equal(
                Radius
                    - (
                        corner == "RR" ? at
                        : corner == "LR" ? off
                        : 0
                    ),
                HubOverFloor(soft),
                1e-9
            );
        }
    }

    [Fact]
    public void Crushed_mounts_let_one_side_down()
    {
        var lips = Lips(Truth(new HiddenFault(Fault.MountCrushed, "left", 10)));
        // Mounts stand over the wheels at y 820, lips at 800: 5 mm down in the middle, and 5 · 800/820 more to the left.
        var (left, right) = (5 + (5 * 800 / 820.0), 5 - (5 * 800 / 820.0));
        Assert.Equal(520 - left, lips[0], 1e-6);
        Assert.Equal(521 - right, lips[1], 1e-6);
        Assert.Equal(570 - left, lips[2], 1e-6);
        Assert.Equal(569 - right, lips[3], 1e-6);
    }

    [Fact]
    public void What_was_put_right_is_right_from_then_on()
    {
        var job = new Workshop().Document;
        var truth = Truth(new HiddenFault(Fault.LoadLeftIn, "rear", 20));
        var act = new PracticeAct(Sample.Id(1), LookAt.Bed, true, Sample.At(30));
        var vehicle = new PracticeVehicle(job, truth, [act]);
        double At(int minute) =>
            vehicle
                .TrueMm(job.CurrentStage()!.Id, "LR", Datum.Hub, Settled.Rolled, Sample.At(minute))!
                .Value;
        Assert.Equal(550, At(29), 1e-6);
        Assert.Equal(570, At(30), 1e-6);
        // To look puts nothing right, nor does another mend.
        Assert.Equal(550, Stands("LR", Datum.Hub, truth, job, act with { Mends = false }), 1e-6);
        Assert.Equal(
            550,
            Stands("LR", Datum.Hub, truth, job, act with { At = LookAt.Tyres }),
            1e-6
        );
    }

    [Fact]
    public void Parts_lift_it_by_what_is_foretold_times_its_own_share()
    {
        var shop = new Workshop();
        shop.Begun();
        var foretold = shop.Document.FrozenPredictions[0].Prediction.FrontRise.Value!.Value;
        Assert.InRange(foretold, 40, 60);
        var lips = Lips(Truth(), shop.Document);
        Assert.Equal(1.05 * foretold, (lips[0] + lips[1] - 520 - 521) / 2, 1e-6);
        Assert.Equal([570, 569], lips[2..].Select(l => Math.Round(l, 6)));
    }

    [Fact]
    public void What_went_wrong_with_the_work_shows_only_after_it()
    {
        HiddenFault[] since =
        [
            new(Fault.NotSeated, "LF", 20),
            new(Fault.TightenedHanging, "front", 12),
        ];
        Assert.Equal(Lips(Truth()), Lips(Truth(since)));
        var shop = new Workshop();
        shop.Begun();
        var rose = Lips(Truth(), shop.Document)
            .Zip(Lips(Truth(since[1]), shop.Document), (a, b) => b - a);
        Assert.Equal([12, 12, 0, 0], rose.Select(r => Math.Round(r, 6)));
        var one = Lips(Truth(), shop.Document)
            .Zip(Lips(Truth(since[0]), shop.Document), (a, b) => b - a)
            .ToArray();
        Assert.Equal(10, (one[0] + one[1]) / 2, 1e-6);
        Assert.True(one[0] > one[1]);
    }

    [Fact]
    public void Sides_that_are_swapped_mirror_what_the_parts_do()
    {
        var shop = new Workshop();
        shop.ReadBefore();
        shop.Do(shop.PlanWith(shop.Plates(), corners: [Corner.LF]));
        shop.Do(shop.Begin("one side only"));
        var right = Lips(Truth(), shop.Document);
        var swapped = Lips(Truth(new HiddenFault(Fault.SidesSwapped, "front", 0)), shop.Document);
        Assert.Equal(right[0] - 520, swapped[1] - 521, 1e-6);
        Assert.Equal(right[1] - 521, swapped[0] - 520, 1e-6);
        Assert.True(swapped[1] - 521 > swapped[0] - 520 + 5);
    }

    [Fact]
    public void Sides_that_were_swapped_are_what_the_heights_then_point_to()
    {
        var shop = new Workshop();
        void Read(double[] lips) =>
            shop.ReadAll([
                .. Corners.All.Zip(
                    lips,
                    (c, mm) => (c.Name(), string.Create(CultureInfo.InvariantCulture, $"{mm:0} mm"))
                ),
            ]);
        Read(Lips(Truth(), shop.Document));
        shop.Do(shop.PlanWith(shop.Plates(), corners: [Corner.LF]));
        shop.Do(shop.Begin("one side only"));
        shop.DoTheWork();
        // The vehicle's own springs and body say how it then stands; the causes know nothing of that truth.
        Read(Lips(Truth(new HiddenFault(Fault.SidesSwapped, "front", 0)), shop.Document));
        var causes = JobEvaluator.Evaluate(shop.Document).Proofs.Single().Causes!;
        Assert.Equal(
            (CauseKind.SidesSwapped, "front"),
            (causes.Classes[0].Causes[0].Kind, causes.Classes[0].Causes[0].Where)
        );
        Assert.True(causes.Named);
    }

    [Fact]
    public void A_place_that_the_learner_added_lies_on_the_body_s_plane_sills_and_bumpers_below_the_lips()
    {
        var job = new Workshop().Document;
        Station At(string name, double x) =>
            new()
            {
                Name = name,
                X = Sample.Mm(x),
                Y = Sample.Mm(700),
                Carrier = Carrier.Body,
            };
        job = job with
        {
            Vehicle = job.Vehicle with
            {
                Dimensions = job.Vehicle.Dimensions with { Wheelbase = Sample.Mm(3600) },
                Stations = [.. job.Vehicle.Stations, At("sill", -900), At("bumper", 720)],
            },
        };
        // Lips of 520.5 in front and 569.5 behind, 3600 apart: 49 in 3600 from the front axle on, up to the rear.
        Assert.Equal(520.5 + (49 * 0.25) - 400, Stands("sill", Datum.Hub, Truth(), job), 1e-6);
        Assert.Equal(520.5 - (49 * 0.2) - 180, Stands("bumper", Datum.Hub, Truth(), job), 1e-6);
        Assert.Equal(
            520.5 - (49 * 0.2) - 180 + Radius,
            Stands("bumper", Datum.Floor, Truth(), job),
            1e-6
        );
    }
}
