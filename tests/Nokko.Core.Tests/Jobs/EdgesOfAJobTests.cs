using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>The last value that still goes and the first that does not, one and many, front and rear.</summary>
public class EdgesOfAJobTests
{
    private readonly Workshop _shop = new();

    [Theory]
    [InlineData(-1, 35, "count")]
    [InlineData(0, 35, null)]
    [InlineData(100_000, 35, null)]
    [InlineData(100_001, 35, "count")]
    [InlineData(2, -0.01, "price")]
    [InlineData(2, 0, null)]
    [InlineData(2, 1_000_000, null)]
    [InlineData(2, 1_000_000.01, "price")]
    public void A_part_is_counted_and_priced_within_reason(int count, double price, string? field)
    {
        var part = Workshop.SavePlate(count, (decimal)price);
        if (field is null)
        {
            Assert.Equal((count, (decimal)price), (part.Read().Count, part.Read().Price));
        }
        else
        {
            Assert.Equal(field, Assert.Throws<RefusedException>(part.Read).Refusal.Field);
        }
    }

    [Fact]
    public void As_many_parts_as_are_allowed_are_read_in_at_once_and_not_one_more()
    {
        Part[] parts =
        [
            .. Enumerable
                .Range(0, ReadInShelf.Most + 1)
                .Select(i =>
                    Workshop.SavePlate().Read() with
                    {
                        Id = Sample.Id(i),
                        Number = $"T-{i}",
                    }
                ),
        ];
        Decision Read(Part[] at) =>
            new ReadInShelf(Sample.Id(1), at, false).On(new ShopState(), _shop.Context());
        Assert.Equal(
            ReadInShelf.Most,
            Assert.IsType<Decision.Made>(Read(parts[1..])).Changes.Count
        );
        Assert.IsType<Decision.Refused>(Read(parts));
    }

    [Theory]
    [InlineData(0, "Handed over; nothing is left to do.")]
    [InlineData(1, "Handed over; 1 follow-up to come.")]
    [InlineData(2, "Handed over; 2 follow-ups to come.")]
    public void One_is_one_and_two_are_many(int count, string says) =>
        Assert.Equal(says, new Need(NeedKind.FollowUps, count).Say(LengthStyle.Inches));

    [Fact]
    public void What_to_do_is_said_in_at_most_eight_words_without_a_measure()
    {
        foreach (var kind in Enum.GetValues<NeedKind>())
        {
            foreach (var text in new[] { kind == NeedKind.ReadAgain ? "RM" : "front", null })
            {
                if (text is null && kind is NeedKind.ReadAgain or NeedKind.EyeAndTape)
                {
                    continue;
                }
                var need = new Need(kind, 12, text, 40, 3, Core.WalkRounds.Datum.Hub);
                var does = need.Does();
                Assert.InRange(does.Split(' ').Length, 2, 8);
                Assert.True(char.IsUpper(does[0]));
                Assert.DoesNotContain("±", does, StringComparison.Ordinal);
                Assert.False(does.EndsWith('.'), does);
                // What stands in the way is told beside it, not in it.
                Assert.True(need.Why() is null || need.Why() == text);
            }
        }
    }

    private static FollowUp Follow(int id, DateOnly? due, bool done) =>
        new()
        {
            Id = Sample.Id(id),
            What = $"look again {id}",
            DueOn = due,
            DoneAt = done ? Sample.At(90) : null,
        };

    [Fact]
    public void What_is_done_is_no_longer_to_come_and_what_has_no_date_comes_last()
    {
        var d = _shop.Document with
        {
            FollowUps =
            [
                Follow(301, null, false),
                Follow(302, new DateOnly(2027, 5, 1), true),
                Follow(303, new DateOnly(2027, 6, 1), false),
            ],
            Job = _shop.Document.Job with { HandedOverAt = Sample.At(80) },
        };
        var results = JobEvaluator.Evaluate(d);
        Assert.Equal(
            (NeedKind.FollowUps, 2),
            (Need.Of(d, results).Kind, Need.Of(d, results).Count)
        );
        Assert.Equal(
            [Sample.Id(303), Sample.Id(301)],
            YardFacts.Of(d, results).FollowUps.Select(f => f.Id)
        );
        var phases = Progress.Of(d, results, LengthStyle.Inches).Phases;
        Assert.Equal(2, phases.Single(p => p.Phase == Phase.HandOver).Open);
    }

    [Fact]
    public void Take_in_counts_the_sizes_that_nobody_measured_and_no_paper_told()
    {
        var sizes = Sample.Sizes;
        int Open(VehicleDimensions of)
        {
            var d = _shop.Document with
            {
                Vehicle = _shop.Document.Vehicle with { Dimensions = of },
            };
            return Progress
                .Of(d, JobEvaluator.Evaluate(d), LengthStyle.Inches)
                .Phases.Single(p => p.Phase == Phase.TakeIn)
                .Open;
        }
        var all = sizes with { Wheelbase = Sample.Mm(3600) };
        var now = Open(all);
        Assert.Equal(now, Open(all with { Wheelbase = Sample.Mm(3600, Known.Document) }));
        Assert.Equal(now + 1, Open(all with { Wheelbase = Sample.Mm(3600, Known.Told) }));
        Assert.Equal(now + 1, Open(all with { Wheelbase = null }));
        // What only a paper tells is missed by nobody.
        Assert.Equal(now, Open(all with { CgHeight = Sample.Mm(700, Known.Told) }));
    }

    [Theory]
    [InlineData("−300", true)]
    [InlineData("300", true)]
    [InlineData("300.5", false)]
    [InlineData("-300.5", false)]
    public void A_floor_is_uneven_up_to_a_foot(string typed, bool can)
    {
        var begin = new BeginWalkRound(
            _shop.Key(),
            _shop.Key(),
            _shop.Document.CurrentStage()!.Id,
            Workshop.Conditions() with
            {
                Pads = [new PadInput(Corner.RF, Workshop.Typed(typed, Unit.Mm))],
            }
        );
        if (can)
        {
            _shop.Do(begin);
            Assert.Single(_shop.Document.WalkRounds[^1].Pads);
        }
        else
        {
            Assert.Equal("conditions.pads.RF", _shop.Refused(begin).Field);
        }
    }

    [Fact]
    public void The_odometer_may_stand_where_it_stood_and_not_behind()
    {
        _shop.Document = _shop.Document with
        {
            Job = _shop.Document.Job with
            {
                OdometerIn = Sample.Of(50_000, Unit.Km, Known.Measured),
            },
        };
        HandOver At(string km) => new(_shop.Key(), 0, Workshop.Typed(km, Unit.Km), null, []);
        Assert.Equal("odometer", _shop.Refused(At("49999")).Field);
        _shop.Do(At("50000"));
    }

    [Fact]
    public void A_change_is_taken_back_within_its_hour_and_not_after()
    {
        SetTarget wish = new(
            _shop.Key(),
            0,
            new TargetInput(Datum.Hub, true, null, null, null, null),
            "level",
            null
        );
        _shop.Do(wish);
        var at = _shop.Now.AddMinutes(-1);
        _shop.Now = at.AddHours(1).AddMilliseconds(1);
        Assert.Contains(
            "last hour",
            _shop.Refused(new TakeBack(_shop.Key(), wish.CommandId)).Message,
            StringComparison.Ordinal
        );
        _shop.Now = at.AddHours(1);
        _shop.Do(new TakeBack(_shop.Key(), wish.CommandId));
    }

    [Fact]
    public void Who_comes_second_to_a_wrong_reading_is_told_what_the_first_did()
    {
        _shop.ReadBefore();
        var wrong = _shop.Document.Readings.Single(r => r.Place.Name == "LF");
        _shop.Do(_shop.Reading("LF", "20 3/4", wrong.Id, "hooked the liner"));
        var second = _shop.Refused(_shop.Reading("LF", "20 5/8", wrong.Id, "the flare"));
        Assert.Equal(RefusalKind.Conflict, second.Kind);
        Assert.Contains("corrected this reading already", second.Message, StringComparison.Ordinal);
        var right = _shop.Reading("RF", "20 3/8");
        _shop.Do(right);
        _shop.Do(new TakeBack(_shop.Key(), right.CommandId));
        Assert.Contains(
            "taken back already",
            _shop.Refused(_shop.Reading("RF", "20 5/8", right.Id, "the flare")).Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_corner_or_a_piece_that_stands_twice_is_refused_also_among_others_that_do_not()
    {
        var part = _shop.Plates();
        var stage = _shop.Document.CurrentStage()!.Id;
        var piece = _shop.Key();
        SavePlan Plan(params (Corner Corner, Guid Piece)[] stacks) =>
            new(
                _shop.Key(),
                _shop.Key(),
                null,
                stage,
                "Plan A",
                [
                    .. stacks.Select(s => new CornerPlacingsInput(
                        s.Corner,
                        [new PlacingInput(s.Piece, part.Id)]
                    )),
                ]
            );
        Assert.Contains(
            "corner stands in this plan twice",
            _shop
                .Refused(
                    Plan(
                        (Corner.LF, _shop.Key()),
                        (Corner.RF, _shop.Key()),
                        (Corner.LF, _shop.Key())
                    )
                )
                .Message,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "two places",
            _shop
                .Refused(Plan((Corner.LF, piece), (Corner.RF, _shop.Key()), (Corner.LR, piece)))
                .Message,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData("0", "turns")]
    [InlineData("−40", null)]
    [InlineData("40.5", "turns")]
    [InlineData("", "turns")]
    [InlineData("many", "turns")]
    public void An_adjuster_is_set_at_turns_that_it_has(string typed, string? field)
    {
        var plan = new SavePlan(
            _shop.Key(),
            _shop.Key(),
            null,
            _shop.Document.CurrentStage()!.Id,
            "Bars up",
            [
                new CornerPlacingsInput(
                    Corner.LF,
                    [new PlacingInput(_shop.Key(), null, null, Workshop.Typed(typed, Unit.One))]
                ),
            ]
        );
        if (field is null)
        {
            _shop.Do(plan);
            var piece = CornerStack.At(_shop.Document.DraftPlan()!.Stacks, Corner.LF).Single();
            Assert.Equal(
                (PartKind.TorsionAdjuster, -40, "adjuster, -40 turns (slackened)"),
                (piece.Kind, piece.Get(PartSizes.Turns), piece.Name)
            );
        }
        else
        {
            Assert.Equal(field, _shop.Refused(plan).Field);
        }
    }

    [Theory]
    [InlineData("4", null)]
    [InlineData("0.5", "earlier")]
    [InlineData("21", "earlier")]
    [InlineData("", "earlier")]
    [InlineData("many", "earlier")]
    public void Steering_stops_are_set_by_degrees_that_they_can_be(string typed, string? field)
    {
        var plan = new SavePlan(
            _shop.Key(),
            _shop.Key(),
            null,
            _shop.Document.CurrentStage()!.Id,
            "Stops earlier",
            [
                new CornerPlacingsInput(
                    Corner.LF,
                    [
                        new PlacingInput(
                            _shop.Key(),
                            null,
                            Earlier: Workshop.Typed(typed, Unit.Degree)
                        ),
                    ]
                ),
            ]
        );
        if (field is null)
        {
            _shop.Do(plan);
            var piece = CornerStack.At(_shop.Document.DraftPlan()!.Stacks, Corner.LF).Single();
            Assert.Equal(
                (PartKind.SteeringStops, 4, "steering stops, 4° earlier"),
                (piece.Kind, piece.Get(PartSizes.StopsEarlier), piece.Name)
            );
        }
        else
        {
            Assert.Equal(field, _shop.Refused(plan).Field);
        }
    }

    [Fact]
    public void More_than_four_that_are_loose_are_told_by_number()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "LF/strut");
        var step = Progress
            .CardOf(_shop.Document)
            .Steps.Single(s => s.HoldFor == HoldReason.WeightBack);
        var said = _shop
            .Refused(new DoStep(_shop.Key(), _shop.Key(), step.Key, null, null))
            .Message;
        var loose = Progress
            .CardOf(_shop.Document)
            .Steps.TakeWhile(s => s.Key != step.Key)
            .Where(s => s.Pass == Pass.Snug)
            .SelectMany(s => s.Joints)
            .Distinct()
            .Count(p => !_shop.Document.Joints.Single(j => j.Place == p).Kind.IsLookedAt());
        Assert.True(loose > 5);
        Assert.Contains($" and {loose - 4} more.", said, StringComparison.Ordinal);
    }

    [Fact]
    public void A_stage_is_spoken_for_by_its_last_round_that_decides()
    {
        var stage = _shop.Document.CurrentStage()!.Id;
        Core.Stance.WalkRoundStance Round(int id, Settled settled) =>
            Core.Stance.StanceOf.Compute(
                Sample.Round(id, stage, settled),
                Sample.Readings(10 * id, id, 520, 1040, 580, 580, 1040, 520),
                Sample.Pickup
            );
        var (first, second, loose) = (
            Round(41, Settled.Rolled),
            Round(42, Settled.Rolled),
            Round(43, Settled.No)
        );
        Assert.True(first.Decides && !loose.Decides);
        Assert.Equal(second, JobEvaluator.Speaks([first, second, loose], stage));
        Assert.Equal(loose, JobEvaluator.Speaks([loose], stage));
        Assert.Null(JobEvaluator.Speaks([first], Sample.Id(999)));
        var empty = Core.Stance.StanceOf.Compute(Sample.Round(44, stage), [], Sample.Pickup);
        Assert.Null(JobEvaluator.Speaks([empty], stage));
    }

    [Fact]
    public void What_is_gone_once_the_work_begins_is_told_from_what_can_wait()
    {
        var d = Sample.Job([520, 1040, 580, 580, 1040, 520]) with
        {
            Plans = [Sample.Plan((Corner.LF, Sample.Plate(30, 25)))],
        };
        var asked = AskedMeasures.Of(d);
        Assert.False(asked.First(a => a.Measure == Measures.BumpStopGap).NowOrNever);
        Assert.True(asked.First(a => a.Measure == Measures.HoseSlack).NowOrNever);
    }

    /// <summary>On some vehicles a shorter link lifts: it has a minus, a plate has none.</summary>
    [Fact]
    public void A_sensor_s_link_may_be_shorter_a_plate_is_never_thinner_than_nothing()
    {
        SavePart As(PartKind kind) =>
            Workshop.SavePlate() with
            {
                Part = kind,
                Thickness = Workshop.Typed("−1/2", Unit.Inch),
            };
        Assert.Equal(-12.7, As(PartKind.LevelSensorLink).Read().Thickness!.In(Unit.Mm), 9);
        Assert.Equal(
            "thickness",
            Assert.Throws<RefusedException>(As(PartKind.StrutTopSpacer).Read).Refusal.Field
        );
    }

    [Fact]
    public void In_the_yard_a_job_shows_what_it_was_only_once_it_is_something_else()
    {
        YardFacts Of(JobDocument d) => YardFacts.Of(d, JobEvaluator.Evaluate(d));
        var before = Sample.Job([520, 1040, 570, 570, 1040, 520]);
        Assert.Null(Of(before).Before);
        Assert.NotNull(Of(before).Now);
        Assert.False(Of(before).HandedOver);
        Assert.False(Of(before).IsClosed());
        var after = Sample.Job([520, 1040, 570, 570, 1040, 520], [571, 1070, 570, 570, 1070, 571]);
        Assert.NotNull(Of(after).Before);
        var gone = after with { Job = after.Job with { HandedOverAt = Sample.At(900) } };
        Assert.True(Of(gone).HandedOver);
        Assert.True(Of(gone).IsClosed());
        Assert.False(
            Of(gone with { FollowUps = [new() { Id = Sample.Id(9), What = "Alignment" }] })
                .IsClosed()
        );
    }

    [Fact]
    public void Rows_that_nobody_named_get_keys_of_version_seven_in_the_order_of_their_making()
    {
        // More of them than one byte counts.
        Part[] parts =
        [
            .. Enumerable
                .Range(0, 600)
                .Select(i =>
                    Workshop.SavePlate().Read() with
                    {
                        Id = Sample.Id(i),
                        Number = $"T-{i}",
                    }
                ),
        ];
        Guid[] keys =
        [
            .. Assert
                .IsType<Decision.Made>(
                    new ReadInShelf(Sample.Id(1), parts, false).On(new ShopState(), _shop.Context())
                )
                .Changes.Select(c => c.Row.Id),
        ];
        Assert.Equal(600, keys.Distinct().Count());
        Assert.All(keys, k => Assert.Equal(7, k.Version));
        Assert.All(keys, k => Assert.InRange(k.Variant, 8, 11));
        Assert.Equal(keys.Order(), keys);
    }
}
