using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Nokko.Core.Shelf;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Practice;

/// <summary>A job of the shop as an exercise: nobody's name in it, and what really came as the truth.</summary>
public sealed class OwnJobTests
{
    private static JobDocument Done(out double frontRise)
    {
        var shop = new Workshop();
        shop.Begun();
        shop.DoTheWork();
        shop.Walk();
        foreach (
            var (station, typed) in new[]
            {
                ("LF", "22 5/8"),
                ("LM", "42 1/4"),
                ("LR", "22 7/8"),
                ("RR", "22 7/8"),
                ("RM", "42 1/4"),
                ("RF", "22 1/2"),
            }
        )
        {
            shop.Do(shop.Reading(station, typed));
        }
        // 22 9/16 in on the mean, from 20 1/2.
        frontRise = 2.0625 * 25.4;
        var d = shop.Document;
        return d with
        {
            Owner = d.Owner with { Name = "Wren Quarry", Contact = "0 12 34" },
            Job = d.Job with
            {
                HandedOverAt = shop.Now,
                HandedOverBy = Sample.Id(5),
                OwnerNotes = "Wren's own",
            },
        };
    }

    private static (OwnJob? Made, string? WhyNot) Made(JobDocument done, params Part[] shelf)
    {
        var n = 5000;
        return OwnJob.Of(
            done,
            PracticeKey.Of(Sample.Id(900)),
            shelf,
            () => Sample.Id(n++),
            Sample.At(900)
        );
    }

    [Fact]
    public void It_holds_no_name_and_no_key_of_the_real_one()
    {
        var done = Done(out _);
        var made = Made(done).Made!;
        var text = System.Text.Json.JsonSerializer.Serialize(made.Job, JobJson.Options);
        foreach (
            var secret in (string[])
                [
                    "Wren",
                    "0 12 34",
                    done.Vehicle.Plate!,
                    done.People[0].Name,
                    done.Vehicle.Id.ToString(),
                    done.Job.Id.ToString(),
                ]
        )
        {
            Assert.DoesNotContain(secret, text, StringComparison.Ordinal);
        }
        Assert.True(PracticeKey.Is(made.Job.Job.Id));
        Assert.False(PracticeKey.Is(done.Job.Id));
        Assert.Empty(made.Job.Plans);
        Assert.Equal(6, made.Job.Readings.Count);
        Assert.Single(made.Job.Stages);
    }

    [Fact]
    public void It_is_found_as_it_was_read_before_the_work_however_often_it_was_read()
    {
        var done = Done(out _);
        var before = done.WalkRounds[0];
        // Somebody read it as it came down from the lift, first; that round proved nothing.
        var made = Made(
            done with
            {
                WalkRounds =
                [
                    before with
                    {
                        Id = Sample.Id(77),
                        Settled = Settled.No,
                        Datum = Datum.Floor,
                        At = before.At.AddHours(-1),
                    },
                    .. done.WalkRounds,
                ],
            }
        ).Made!;
        var round = Assert.Single(made.Job.WalkRounds);
        Assert.Equal((before.Settled, before.Datum), (round.Settled, round.Datum));
        Assert.Equal(6, made.Job.Readings.Count);
        Assert.All(made.Job.Readings, r => Assert.Equal(round.Id, r.WalkRoundId));
    }

    /// <summary>A middle is read from the floor, and stands over the hubs by a wheel less; where nobody read it, as far over the lips as on a pickup.</summary>
    [Fact]
    public void Middles_stand_over_the_hubs_as_they_were_read_or_over_the_lips()
    {
        var done = Done(out _);
        var read = done.Readings.First(r => r.Place.Name == "LM");
        var truth = Made(done).Made!.Truth;
        Assert.Equal(read.Value!.In(Unit.Mm) - truth.RadiusMm, truth.Healthy["LM"], 1e-6);
        var unread = Made(
            done with
            {
                Readings = [.. done.Readings.Where(r => r.Place.Name is not ("LM" or "RM"))],
            }
        ).Made!.Truth;
        var lips = Corners.All.Average(c => unread.Healthy[c.Name()]);
        Assert.Equal([lips + 120, lips + 120], [unread.Healthy["LM"], unread.Healthy["RM"]]);
    }

    [Theory]
    [InlineData(Datum.Floor)]
    [InlineData(Datum.Rim)]
    public void Read_from_floor_or_rim_it_stands_over_its_hubs_by_what_its_tyres_say_less(
        Datum from
    )
    {
        var hubs = Done(out _);
        var wheel = Datums.Estimate(TyreSize.Parse(hubs.Vehicle.TyreSize)!, 550 * Gravity.NPerKg);
        var less = from == Datum.Floor ? wheel.LoadedRadiusMm : wheel.RimRadiusMm;
        var other = hubs with
        {
            WalkRounds = [.. hubs.WalkRounds.Select(w => w with { Datum = from })],
            Readings =
            [
                .. hubs.Readings.Select(r =>
                    r is { Value: { } value, Place.Name: not ("LM" or "RM") }
                        ? r with
                        {
                            From = from,
                            Value = Sample.Mm(value.In(Unit.Mm) + less),
                        }
                        : r
                ),
            ],
        };
        var (over, made) = (Made(hubs).Made!.Truth, Made(other).Made!.Truth);
        Assert.All(over.Healthy.Keys, s => Assert.Equal(over.Healthy[s], made.Healthy[s], 1e-6));
        Assert.Equal(over.FrontShare, made.FrontShare, 1e-6);
    }

    [Fact]
    public void The_same_stack_comes_to_what_really_came()
    {
        var done = Done(out var rise);
        var made = Made(done).Made!;
        var run = new PracticeRun(made.Truth, made.Job, [], made.Shelf, Sample.At(0));
        var shop = new Workshop { Document = made.Job };
        foreach (var part in made.Shelf)
        {
            shop.Shelf[part.Id] = part;
        }
        shop.Do(shop.PlanWith(made.Shelf[0]));
        var now = (run with { Job = shop.Document }).Now()!;
        // Nose-down 22 7/8 − 20 1/2 in before; the front really rose by 2 1/16.
        var target = made.Job.Job.Target.Rake?.In(Unit.Mm) ?? 0;
        Assert.Equal(Math.Abs((2.375 * 25.4) - rise - target), now.MissMm, 0.01);
        Assert.StartsWith(
            "What was fitted: plate (left front, right front).",
            made.Truth.Came,
            StringComparison.Ordinal
        );
        Assert.Equal(1, made.Truth.RearShare);
    }

    [Fact]
    public void Only_what_was_fitted_measured_and_handed_over_can_be_practised()
    {
        var done = Done(out _);
        Assert.Contains(
            "handed over",
            Made(done with { Job = done.Job with { HandedOverAt = null } }).WhyNot,
            StringComparison.Ordinal
        );
        var last = done.WalkRounds.MaxBy(w => w.At)!;
        var unread = done with
        {
            Readings = [.. done.Readings.Where(r => r.WalkRoundId != last.Id)],
        };
        Assert.Contains("settled readings", Made(unread).WhyNot, StringComparison.Ordinal);
        var unsettled = done with
        {
            WalkRounds =
            [
                .. done.WalkRounds.Select(w =>
                    w.Id == last.Id ? w with { Settled = Settled.No } : w
                ),
            ],
        };
        Assert.Contains("settled readings", Made(unsettled).WhyNot, StringComparison.Ordinal);
    }

    [Fact]
    public void A_key_of_an_exercise_is_told_from_a_jobs()
    {
        var asked = Guid.CreateVersion7();
        var key = PracticeKey.Of(asked);
        Assert.True(PracticeKey.Is(key));
        Assert.False(PracticeKey.Is(asked));
        Assert.Equal(key, PracticeKey.Of(asked));
        Assert.Equal(asked.ToString()[15..], key.ToString()[15..]);
    }

    [Fact]
    public void Some_of_what_lies_on_the_shelf_and_lifts_lies_beside_what_was_fitted()
    {
        var done = Done(out _);
        var shop = new Workshop();
        var plate = shop.Plates(4) with { Name = "thick plate" };
        Part[] shelf =
        [
            plate,
            plate with
            {
                Id = shop.Key(),
                Name = "thicker plate",
                Count = 2,
            },
            // One alone lifts one side; what is thrown away and what comes in a box is not there to be taken.
            plate with
            {
                Id = shop.Key(),
                Name = "a last one",
                Count = 1,
            },
            plate with
            {
                Id = shop.Key(),
                Name = "a binned one",
                BinnedAt = shop.Now,
            },
            plate with
            {
                Id = shop.Key(),
                Name = "a box",
                Contents = new KitContents(),
            },
            // What was fitted lies there already.
            plate with
            {
                Id = shop.Key(),
                Name = "plate",
            },
            plate with
            {
                Id = shop.Key(),
                Name = "a hose",
                Kind = PartKind.BrakeHose,
            },
        ];
        var made = Made(done, shelf).Made!;
        Assert.Equal(["plate", "thick plate", "thicker plate"], made.Shelf.Select(p => p.Name));
        Assert.All(made.Shelf, p => Assert.Equal(2, p.Count));
        Assert.Empty(made.Shelf.Select(p => p.Id).Intersect(shelf.Select(p => p.Id)));
    }
}
