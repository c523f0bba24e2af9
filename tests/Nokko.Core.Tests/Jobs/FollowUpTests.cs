using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What a job calls for after its hand-over, and how a vehicle settles.</summary>
public class FollowUpTests
{
    private readonly Workshop _shop = new();

    private IReadOnlyList<FollowUpSuggestion> Suggested() =>
        FollowUpSuggestion.Of(_shop.Document, Progress.CardOf(_shop.Document));

    private FollowUpSuggestion? One(string what) =>
        Suggested().SingleOrDefault(f => f.What.StartsWith(what, StringComparison.Ordinal));

    private void Fitted()
    {
        _shop.Begun();
        _shop.DoTheWork();
    }

    private void Read(string front, string rear, DateTimeOffset at, double? km = null)
    {
        _shop.Now = at;
        _shop.ReadAll(("LF", front), ("LR", rear), ("RR", rear), ("RF", front));
        if (km is { } odometer)
        {
            _shop.Document = _shop.Document with
            {
                WalkRounds =
                [
                    .. _shop.Document.WalkRounds.Select(w =>
                        w.Id == _shop.Round ? w with { Odometer = Sample.Of(odometer, Unit.Km) } : w
                    ),
                ],
            };
        }
    }

    private Settling? Settles() => JobEvaluator.Evaluate(_shop.Document).Settling;

    [Fact]
    public void Nothing_is_to_come_while_nothing_was_fitted() => Assert.Empty(Suggested());

    [Fact]
    public void What_was_opened_is_named_and_what_nobody_touched_is_not()
    {
        Fitted();
        var d = _shop.Document;
        var torqued = d
            .Joints.Where(j => d.PassesOver(j.Id, d.BegunPlan()!.Id).Count > 0)
            .ToArray();
        var first = One("Re-torque what was opened")!;
        Assert.All(
            torqued.Where(j => !j.Kind.IsLookedAt() && j.Spec?.Angle is null),
            j => Assert.Contains(j.Place, first.Why, StringComparison.Ordinal)
        );
        // Struts came out in front: nothing behind was opened.
        Assert.DoesNotContain("LR ", first.Why, StringComparison.Ordinal);
        var later = One("Re-torque once more")!;
        Assert.Contains("wheel", later.Why, StringComparison.OrdinalIgnoreCase);
        Assert.All(
            torqued.Where(j =>
                j.Kind is not (JointKind.UBolt or JointKind.SpringEye or JointKind.Wheel)
            ),
            j => Assert.DoesNotContain(j.Place, later.Why, StringComparison.Ordinal)
        );
        Assert.True(later.Days > first.Days && later.Km > first.Km);

        // A joint that was turned by an angle is stretched: it is not turned again.
        var wheel = torqued.First(j => j.Kind == JointKind.Wheel);
        _shop.Document = d with
        {
            Joints =
            [
                .. d.Joints.Select(j =>
                    j.Id == wheel.Id
                        ? j with
                        {
                            Spec = new() { Angle = Sample.Of(90, Unit.Degree), Source = "sheet" },
                        }
                        : j
                ),
            ],
        };
        Assert.DoesNotContain(
            wheel.Place,
            One("Re-torque what was opened")!.Why,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Alignment_is_asked_of_the_axle_that_was_lifted_and_by_its_kind()
    {
        Fitted();
        Assert.Equal(
            "Height moves toe, camber and caster.",
            One("Alignment of the front at a licensed shop")!.Why
        );
        Assert.Null(One("Alignment of the rear"));
        // Only what the height turned shows on the tread: the leaves behind were left alone.
        Assert.Equal(
            "The height moved toe and camber of the front axle: feathered edges tell of toe, one worn shoulder of camber.",
            One("Look at how the tyres wear")!.Why
        );
        Assert.Null(One("Toe and camber"));
        _shop.Document = _shop.Document with
        {
            Vehicle = _shop.Document.Vehicle with { Kind = VehicleKind.Utv },
        };
        Assert.Null(One("Alignment of the front"));
        Assert.Equal(90, One("Toe and camber, front")!.Days);
        Assert.Null(One("Look at how the tyres wear"));
    }

    [Fact]
    public void A_lifted_end_is_read_again_after_a_night_and_twice_more_and_blocks_in_between_hide_nothing()
    {
        Fitted();
        Assert.Equal(
            [(1, 0), (21, 100), (60, 500)],
            Suggested()
                .Where(f => f.What.StartsWith("Read the heights", StringComparison.Ordinal))
                .Select(f => (f.Days, (int)Math.Round(f.Km / 1.609344)))
        );
        // The earliest first, and of one day by their names.
        var all = Suggested();
        Assert.Equal(all.OrderBy(f => f.Days).ThenBy(f => f.What, StringComparer.Ordinal), all);
        Assert.Equal(all.Count, all.DistinctBy(f => f.What).Count());
    }

    [Fact]
    public void A_live_axle_keeps_its_camber_and_a_track_bar_bracket_lifts_nothing()
    {
        _shop.BegunWithBracket();
        Assert.DoesNotContain(
            Suggested(),
            f =>
                f.What.StartsWith("Alignment", StringComparison.Ordinal)
                || f.What.StartsWith("Toe", StringComparison.Ordinal)
                || f.What.StartsWith("Read the heights", StringComparison.Ordinal)
                || f.What is "Headlight aim" or "Look at how the tyres wear"
        );
    }

    [Fact]
    public void Lamps_are_aimed_only_where_the_body_s_angle_moved_them()
    {
        Fitted();
        Assert.StartsWith(
            "Headlights, down by",
            One("Headlight aim")!.Why,
            StringComparison.Ordinal
        );
        var frozen = _shop.Document.FrozenPredictions.Single();
        _shop.Document = _shop.Document with
        {
            FrozenPredictions =
            [
                frozen with
                {
                    Prediction = frozen.Prediction with { Companions = [] },
                },
            ],
        };
        Assert.Null(One("Headlight aim"));
    }

    [Fact]
    public void What_was_left_for_later_in_writing_comes_too_and_once()
    {
        Fitted();
        var plan = _shop.Document.BegunPlan()!;
        Deviation Left(int id, string? again, DateTimeOffset at) =>
            new()
            {
                Id = Sample.Id(id),
                Where = "LF strut",
                SheetSays = "new nut",
                Did = "old nut",
                Why = "none here",
                LookAgain = again,
                PersonId = Sample.Id(5),
                At = at,
            };
        _shop.Document = _shop.Document with
        {
            Deviations =
            [
                Left(970, "after 50 miles", plan.BegunAt!.Value.AddHours(1)),
                Left(971, "after 50 miles", plan.BegunAt!.Value.AddHours(2)),
                Left(972, null, plan.BegunAt!.Value.AddHours(2)),
            ],
            Promises =
            [
                new()
                {
                    Id = Sample.Id(980),
                    What = "Mud flaps longer",
                    PersonId = Sample.Id(5),
                    At = _shop.Now,
                },
                new()
                {
                    Id = Sample.Id(981),
                    What = "Spare wheel turned",
                    PersonId = Sample.Id(5),
                    At = _shop.Now,
                    KeptAt = _shop.Now,
                },
            ],
        };
        Assert.Equal("old nut: none here (after 50 miles)", One("Look again at LF strut")!.Why);
        Assert.NotNull(One("Mud flaps longer"));
        Assert.Null(One("Spare wheel turned"));
        Assert.Equal(
            Suggested().OrderBy(f => f.Days).Select(f => f.Days),
            Suggested().Select(f => f.Days)
        );
    }

    [Fact]
    public void Done_says_what_came_of_it_or_was_read()
    {
        Fitted();
        var follow = Sample.Id(990);
        _shop.Do(
            new HandOver(
                _shop.Key(),
                0,
                null,
                null,
                [new(follow, "Read the heights again", null, new DateOnly(2026, 4, 1), null)],
                "open lines are known"
            )
        );
        Assert.Equal("note", _shop.Refused(new FinishFollowUp(_shop.Key(), follow, " ")).Field);
        // Begun is not read.
        _shop.Now = _shop.Now.AddDays(20);
        _shop.Walk();
        Assert.Equal("note", _shop.Refused(new FinishFollowUp(_shop.Key(), follow, null)).Field);
        _shop.Do(_shop.Reading("LF", "22 1/2"));
        _shop.Do(new FinishFollowUp(_shop.Key(), follow, null));
        Assert.NotNull(_shop.Document.FollowUps.Single().DoneAt);
    }

    [Fact]
    public void It_has_settled_when_rounds_far_enough_apart_agree()
    {
        Fitted();
        var start = _shop.Now.AddHours(1);
        Read("22 3/4", "22 7/8", start, 1000);
        Assert.Null(Settles());
        // An hour later: nothing can be told yet.
        Read("22 3/4", "22 7/8", start.AddHours(1), 1001);
        Assert.Null(Settles()!.Settled);
        // After 100 miles the nose came down by half an inch.
        Read("22 1/4", "22 7/8", start.AddDays(5), 1161);
        var down = Settles()!;
        Assert.False(down.Settled);
        Assert.Equal(-12.7, down.Since[^1].Front.Value!.Value, 0.01);
        Assert.Equal(0, down.Since[^1].Rear.Value!.Value, 0.01);
        Assert.Equal(161, down.Since[^1].Km!.Value, 0.01);
        // After 500 it stays.
        Read("22 1/4", "22 7/8", start.AddDays(30), 1800);
        Assert.True(Settles()!.Settled);
        Assert.Equal(3, Settles()!.Since.Count);
        // Without a drive between them a month tells nothing where both odometers say so.
        Read("22 1/4", "22 7/8", start.AddDays(60), 1801);
        Assert.True(Settles()!.Settled);
        Assert.Equal(-12.7, Settles()!.Since[^1].Front.Value!.Value, 0.01);
    }

    [Fact]
    public void Before_its_work_nothing_settles()
    {
        _shop.ReadBefore();
        _shop.ReadBefore();
        Assert.Null(Settles());
    }
}
