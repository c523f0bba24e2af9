using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What is asked for, because this vehicle and this plan need it.</summary>
public class AskedMeasuresTests
{
    private static readonly JobDocument Found = Sample.Job([520, 1040, 580, 580, 1040, 520]) with
    {
        Plans = [],
    };

    [Fact]
    public void Before_any_plan_only_what_is_gone_once_the_work_begins_is_asked_for()
    {
        var asked = AskedMeasures.Of(Found);
        Assert.All(asked, a => Assert.True(a.NowOrNever));
        Assert.Equal(
            ["left lamp", "right lamp"],
            asked.Where(a => a.Measure == Measures.LampCutOff).Select(a => a.Place)
        );
        // Independent wheels have camber and toe to lose; a live axle sits off-centre or not.
        Assert.Equal(
            ["LF", "RF"],
            asked.Where(a => a.Measure == Measures.CamberSquare).Select(a => a.Place)
        );
        Assert.Equal(
            ["LR", "RR"],
            asked.Where(a => a.Measure == Measures.Overhang).Select(a => a.Place)
        );
        Assert.All(
            asked.Where(a => a.Measure is Measures.ToeFront or Measures.ToeRear),
            a => Assert.Equal("front", a.Place)
        );
    }

    [Fact]
    public void Slopes_of_links_and_shafts_are_asked_for_where_those_were_taped_and_the_axle_is_lifted()
    {
        string[] Asked(Nokko.Core.Vehicles.Suspension front, double? mm)
        {
            var found = Found with
            {
                Stages = [Found.Stages[0] with { Front = front }],
                Plans = mm is { } thick
                    ?
                    [
                        Sample.Plan(
                            (Corner.LF, Sample.Plate(30, thick, PartKind.CoilSpacer)),
                            (Corner.RF, Sample.Plate(31, thick, PartKind.CoilSpacer))
                        ),
                    ]
                    : [],
            };
            return
            [
                .. AskedMeasures
                    .Of(found)
                    .Where(a => a.Measure is Measures.DragLinkSlope or Measures.HalfShaftSlope)
                    .Select(a => $"{a.Place} {a.Measure}"),
            ];
        }
        var live = Plans.StacksTests.Of(
            SuspensionKind.CoilFourLink,
            (SuspensionSizes.DragLinkRun, 860)
        );
        var driven = Plans.StacksTests.Of(SuspensionKind.CoilOverArm, (SuspensionSizes.CvRun, 420));
        Assert.Equal(["front dragLinkSlope"], Asked(live, 40));
        Assert.Empty(Asked(live, null));
        Assert.Equal(["LF halfShaftSlope", "RF halfShaftSlope"], Asked(driven, 40));
        Assert.Empty(Asked(Plans.StacksTests.Of(SuspensionKind.CoilOverArm), 40));
    }

    /// <summary>Whatever was read before is read again after; but a radius of a rim, lengths of a shock and what is only written down stay what they are.</summary>
    [Theory]
    [InlineData(Measures.FenderAtLock, PlaceKind.Wheel, true)]
    [InlineData(Measures.HoseSlack, PlaceKind.Wheel, true)]
    [InlineData(Measures.RimRadius, PlaceKind.Wheel, false)]
    [InlineData("shockCollapsed", PlaceKind.Wheel, false)]
    [InlineData("shockExtended", PlaceKind.Wheel, false)]
    public void What_was_read_before_is_read_again_after(
        string measure,
        PlaceKind place,
        bool again
    )
    {
        var done = Sample.Job([520, 1040, 580, 580, 1040, 520], [570, 1070, 580, 580, 1070, 570]);
        var read = Sample.Reading(300, 40, null, 60) with
        {
            Measure = measure,
            From = null,
            Place = new() { Kind = place, Name = "LR" },
        };
        string[] Asked(params Reading[] more) =>
            [
                .. AskedMeasures
                    .Of(done with { Readings = [.. done.Readings, .. more] })
                    .Where(a => a.Measure == measure && a.Place == "LR" && !a.NowOrNever)
                    .Select(a => a.Place),
            ];
        Assert.Equal(again ? ["LR"] : [], Asked(read));
        Assert.Empty(Asked());
        // What nobody could read, and what is read of no one place, is not asked for.
        Assert.Empty(Asked(read with { Value = null }));
        Assert.Empty(Asked(read with { Measure = null }));
    }

    [Fact]
    public void A_wheel_that_a_spacer_moves_out_is_read_before_and_after()
    {
        var asked = AskedMeasures.Of(
            Found with
            {
                Plans =
                [
                    Sample.Plan(
                        (Corner.LF, Sample.Plate(30, 30, PartKind.WheelSpacer)),
                        (Corner.RF, Sample.Plate(31, 30, PartKind.WheelSpacer))
                    ),
                ],
            }
        );
        foreach (var measure in (string[])[Measures.Overhang, Measures.FenderAtLock])
        {
            Assert.Superset(
                new HashSet<string> { "LF", "RF" },
                asked.Where(a => a.Measure == measure).Select(a => a.Place).ToHashSet()
            );
        }
    }

    [Fact]
    public void What_the_work_undoes_is_asked_for_now_or_never_and_a_gap_that_stays_is_not()
    {
        var found = Found with
        {
            Stages =
            [
                .. Found.Stages.Select(s =>
                    s with
                    {
                        Front = new() { Kind = SuspensionKind.CoilFourLink },
                    }
                ),
            ],
        };
        var asked = AskedMeasures.Of(
            found with
            {
                Plans =
                [
                    Sample.Plan(
                        (Corner.LF, Sample.Plate(30, 40, PartKind.CoilSpacer)),
                        (Corner.RF, Sample.Plate(31, 40, PartKind.CoilSpacer))
                    ),
                ],
            }
        );
        Assert.Equal(
            [
                Measures.Caster,
                Measures.HoseSlack,
                Measures.LampCutOff,
                Measures.Overhang,
                Measures.PinionAngle,
                Measures.ShaftAngle,
            ],
            asked.Where(a => a.NowOrNever).Select(a => a.Measure).Distinct().Order()
        );
        Assert.Equal(
            [(Measures.BumpStopGap, "LF"), (Measures.BumpStopGap, "RF")],
            asked.Where(a => !a.NowOrNever).Select(a => (a.Measure, a.Place))
        );
        Assert.Equal(
            ["LF", "RF"],
            asked.Where(a => a.Measure == Measures.Caster).Select(a => a.Place)
        );
    }

    [Fact]
    public void A_block_asks_for_the_pinion_and_the_hoses_behind()
    {
        var asked = AskedMeasures.Of(Planned(Corner.LR, Corner.RR, PartKind.Block));
        Assert.Contains(asked, a => a is { Measure: Measures.PinionAngle, Place: "rear" });
        Assert.Contains(asked, a => a is { Measure: Measures.ShaftAngle, Place: "rear" });
        Assert.Equal(
            ["LR", "RR"],
            asked.Where(a => a.Measure == Measures.HoseSlack).Select(a => a.Place)
        );
        Assert.DoesNotContain(asked, a => a is { Measure: Measures.BumpStopGap, Place: "LF" });
    }

    [Fact]
    public void One_side_on_purpose_asks_on_that_side_only()
    {
        var asked = AskedMeasures.Of(Planned(Corner.LF, null, PartKind.StrutTopSpacer));
        Assert.Equal(
            ["LF"],
            asked.Where(a => a.Measure == Measures.HoseSlack).Select(a => a.Place)
        );
    }

    [Fact]
    public void What_was_passed_over_with_a_reason_is_not_asked_for_again()
    {
        var skipped = new Reading
        {
            Id = Sample.Id(400),
            WalkRoundId = Sample.Id(40),
            Kind = ReadingKind.Length,
            Measure = Measures.LampCutOff,
            Place = new Place { Kind = PlaceKind.Point, Name = "left lamp" },
            Skipped = true,
            Note = "lamp broken",
            PersonId = Sample.Id(5),
            TakenAt = Sample.At(41),
            StoredAt = Sample.At(41),
        };
        var asked = AskedMeasures.Of(Found with { Readings = [.. Found.Readings, skipped] });
        Assert.True(Lamp(asked, "left lamp").Done);
        Assert.False(Lamp(asked, "right lamp").Done);
    }

    [Fact]
    public void Another_tyre_asks_how_far_it_stands_out_and_in_front_for_the_gap_at_lock_before_and_after()
    {
        static IEnumerable<(string, string, bool)> Of(JobDocument d) =>
            AskedMeasures
                .Of(d)
                .Where(a =>
                    a.Measure == Measures.FenderAtLock
                    || a.Place[1] == 'F' && a.Measure == Measures.Overhang
                )
                .Select(a => (a.Measure, a.Place, a.NowOrNever));
        Assert.Equal(
            [
                (Measures.FenderAtLock, "LF", true),
                (Measures.Overhang, "LF", true),
                (Measures.FenderAtLock, "RF", true),
                (Measures.Overhang, "RF", true),
            ],
            Of(Planned(Corner.LF, Corner.RF, PartKind.Tyre))
        );
        Assert.Empty(Of(Planned(Corner.LR, Corner.RR, PartKind.Tyre)));
        Assert.Empty(Of(Planned(Corner.LF, Corner.RF, PartKind.StrutTopSpacer)));
        // Once it is on, it is seen whether it touches, though nobody read the gap before.
        var begun = Sample.Job([520, 1040, 580, 580, 1040, 520], [520, 1040, 580, 580, 1040, 520]);
        var fitted = begun with
        {
            Plans =
            [
                begun.Plans[0] with
                {
                    Stacks = Planned(Corner.LF, Corner.RF, PartKind.Tyre).Plans[0].Stacks,
                },
            ],
        };
        Assert.Equal(
            [
                (Measures.FenderAtLock, "LF", false),
                (Measures.Overhang, "LF", false),
                (Measures.FenderAtLock, "RF", false),
                (Measures.Overhang, "RF", false),
            ],
            Of(fitted)
        );
        static string Why(JobDocument d) =>
            AskedMeasures
                .Of(d)
                .Single(a => a is { Measure: Measures.FenderAtLock, Place: "LF" })
                .Why;
        Assert.StartsWith(
            "Another tyre takes of this gap",
            Why(Planned(Corner.LF, Corner.RF, PartKind.Tyre)),
            StringComparison.Ordinal
        );
        Assert.StartsWith("Another tyre is on", Why(fitted), StringComparison.Ordinal);
    }

    [Fact]
    public void Nothing_is_asked_for_twice() =>
        Assert.Distinct(
            AskedMeasures
                .Of(Planned(Corner.LF, Corner.RF, PartKind.StrutTopSpacer))
                .Select(a => (a.Measure, a.Place))
        );

    [Fact]
    public void Every_measure_that_is_asked_for_is_in_the_list_and_has_that_place() =>
        Assert.All(
            AskedMeasures.Of(Planned(Corner.LR, Corner.RR, PartKind.Block)),
            a => Assert.Contains(a.Place, Measures.PlacesOf(Measures.Find(a.Measure)!))
        );

    private static AskedMeasure Lamp(IReadOnlyList<AskedMeasure> asked, string place) =>
        Assert.Single(asked, a => a.Measure == Measures.LampCutOff && a.Place == place);

    private static JobDocument Planned(Corner left, Corner? right, PartKind kind) =>
        Found with
        {
            Plans =
            [
                right is null
                    ? Sample.Plan((left, Sample.Plate(30, 25, kind)))
                    : Sample.Plan(
                        (left, Sample.Plate(30, 25, kind)),
                        (right.Value, Sample.Plate(31, 25, kind))
                    ),
            ],
        };
}
