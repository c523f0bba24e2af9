using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Stance;

public class ComparisonTests
{
    private static readonly double[] Before = [520, 1040, 580, 580, 1040, 520];

    /// <summary>Front 50 up, rear untouched; mids by the plane: 50·(1 − 1500/3600).</summary>
    private static readonly double[] After = [570, 1069.17, 580, 580, 1069.17, 570];

    [Fact]
    public void The_axle_that_nobody_touched_is_the_control()
    {
        var still = Assert.Single(Compare(Job(After)).Controls);
        Assert.Equal((Axle.Rear, false), (still.Axle, still.Moved));
        var moved = Assert.Single(Compare(Job([570, 1078, 595, 595, 1078, 570])).Controls);
        Assert.True(moved.Moved);
        Assert.Equal(15, moved.Rise.Value!.Value, 9);
        Assert.Contains(
            "Nobody touched the rear axle, and it moved +9/16 in",
            Say(Job([570, 1078, 595, 595, 1078, 570])),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_slip_is_named_with_what_it_would_have_had_to_read() =>
        Assert.Contains(
            "Right middle does not fit: as good as sure that a reading slipped, as good as sure that it was this one. By the others it should have risen +1 1/8 in",
            Say(Job([570, 1069.17, 580, 580, 1069.17 + 25.4, 570])),
            StringComparison.Ordinal
        );

    [Fact]
    public void A_gap_that_may_be_no_slip_is_asked_about_with_its_chances()
    {
        // Eleven millimetres at the right middle, and a little of it at the right front.
        var said = Say(Job([570, 1069.17, 580, 580, 1069.17 + 11, 566]));
        Assert.Contains(
            "more than the tape usually leaves, yet a slip is unlikely",
            said,
            StringComparison.Ordinal
        );
        Assert.Contains("then it was right middle (", said, StringComparison.Ordinal);
        Assert.Contains(" or right front (", said, StringComparison.Ordinal);
        Assert.Contains("read right middle once more", said, StringComparison.Ordinal);
    }

    [Fact]
    public void Three_stations_of_one_side_are_told_apart_from_four_corners()
    {
        var job = Job([570, 1069.17 + 20, 580, 580, 1069.17, 570]);
        var side = job with
        {
            Readings = [.. job.Readings.Where(r => r.Place.Name is "LF" or "LM" or "LR")],
        };
        Assert.Contains(
            "stations of that side do not lie on one line",
            Say(side),
            StringComparison.Ordinal
        );
        Assert.Contains("read the other side too", Say(side), StringComparison.Ordinal);
    }

    [Fact]
    public void Four_corners_say_honestly_that_they_cannot_tell()
    {
        var job = Job([570, 1069.17, 580, 605, 1069.17, 570]);
        var lips = job with
        {
            Readings = [.. job.Readings.Where(r => r.Place.Name is not ("LM" or "RM"))],
        };
        Assert.Contains(
            "Four corners cannot tell which; read the door handles",
            Say(lips),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_reading_taken_with_a_corner_raised_is_marked_and_decides_nothing()
    {
        var job = Job(After);
        var raised = job with
        {
            Readings =
            [
                .. job.Readings.Select(r =>
                    r.WalkRoundId == Sample.Id(40) && r.Place.Name == "LF"
                        ? r with
                        {
                            RaisedCorners = ["LF"],
                        }
                        : r
                ),
            ],
        };
        var comparison = Compare(raised);
        Assert.False(comparison.Rises.First(r => r.Station == "LF").Decides);
        Assert.True(comparison.Rises.First(r => r.Station == "RF").Decides);
        Assert.Contains("No clean baseline at left front", Say(raised), StringComparison.Ordinal);
    }

    [Fact]
    public void Body_springs_and_tyre_any_two_give_the_third()
    {
        // Hub lips rise 50, the hub itself 12 on a taller tyre: the body rose 62.
        var job = Job(After);
        var taller = job with
        {
            Readings = [.. job.Readings, Hub(300, 40, 372), Hub(301, 41, 384)],
        };
        var corner = Compare(taller).Corners.First(c => c.Corner == Corner.LF);
        Assert.Equal(62, corner.Body.Value!.Value, 9);
        Assert.Equal(50, corner.Springs.Value!.Value, 9);
        Assert.Equal(12, corner.Tyre.Value!.Value, 9);
        Assert.Contains(
            "Left front: the body rose +2 7/16 in; the springs gave +1 15/16 in, the tyre +1/2 in",
            Say(taller),
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "Needs hub heights",
            Compare(job).Corners[0].Tyre.Cannot,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void After_a_puck_the_springs_gave_nothing_and_a_reading_from_the_frame_decides()
    {
        // Pucks of 25.4 at every mount: each lip rises as much over its hub, no spring has moved.
        var before = Sample.Job(Before, [.. Before.Select(b => b + 25.4)]);
        var stacks = Corners
            .All.Select(
                (c, i) =>
                    new CornerStack
                    {
                        Corner = c,
                        Parts = [Sample.Plate(70 + i, 25.4, PartKind.BodyPuck)],
                    }
            )
            .ToArray();
        var job = before with
        {
            Stages = [before.Stages[0], before.Stages[1] with { Stacks = stacks }],
            Plans = [before.Plans[0] with { Stacks = stacks }],
        };
        var corner = Compare(job).Corners[0];
        Assert.Equal(0, corner.Springs.Value!.Value, 9);
        Assert.Equal((25.4, Known.Estimated), (corner.Mounts!.Value, corner.Mounts.Known));
        // Old mounts that go in again: ± 3 mm beside the puck's own 0.2.
        Assert.Equal(Math.Sqrt(9 + 0.04), corner.Mounts.U!.Value, 9);
        Assert.True(corner.Springs.U > 3);
        Assert.Contains(
            "the mounts gave +1 in, by their parts",
            Say(job),
            StringComparison.Ordinal
        );

        // Read from the frame, the old mount came back by 4: the springs gave way by as much.
        var read = job with
        {
            Readings =
            [
                .. job.Readings,
                Sample.Reading(300, 40, "LF", 700, Datum.Frame),
                Sample.Reading(301, 41, "LF", 729.4, Datum.Frame),
            ],
        };
        var decided = Compare(read).Corners[0];
        Assert.Equal(-4, decided.Springs.Value!.Value, 9);
        Assert.Equal(Known.Measured, decided.Mounts!.Known);

        // Nobody measured the puck: nothing is said of the springs there, all of the others.
        var thin = stacks[0] with
        {
            Parts = [Sample.Plate(70, null, PartKind.BodyPuck)],
        };
        var unknown = job with
        {
            Stages = [job.Stages[0], job.Stages[1] with { Stacks = [thin, .. stacks.Skip(1)] }],
        };
        Assert.Contains(
            "read the frame too",
            Compare(unknown).Corners[0].Springs.Cannot!,
            StringComparison.Ordinal
        );
        Assert.NotNull(Compare(unknown).Corners[1].Springs.Value);
    }

    [Fact]
    public void Where_no_mount_was_touched_nothing_is_said_of_mounts() =>
        Assert.All(Compare(Job(After)).Corners, c => Assert.Null(c.Mounts));

    [Fact]
    public void Heights_from_a_document_inform_and_decide_nothing()
    {
        var job = Job(After);
        var told = job with
        {
            WalkRounds =
            [
                .. job.WalkRounds.Select(w =>
                    w.Id == Sample.Id(40) ? w with { FromDocument = true } : w
                ),
            ],
            Readings =
            [
                .. job.Readings.Select(r =>
                    r.WalkRoundId == Sample.Id(40)
                        ? r with
                        {
                            Value = r.Value! with { Known = Known.Document },
                        }
                        : r
                ),
            ],
        };
        var comparison = Compare(told);
        Assert.Equal(50, comparison.Rises.First(r => r.Station == "LF").Rise.Value!.Value, 9);
        Assert.All(comparison.Rises, r => Assert.False(r.Decides));
        Assert.Null(comparison.Rigid);
        Assert.False(JobEvaluator.Evaluate(told).WalkRounds[0].Decides);
    }

    [Theory]
    [InlineData(40)]
    [InlineData(41)]
    public void A_document_has_no_conditions_to_differ_by(int round)
    {
        var job = Job(After, w => w with { Load = "roof tent" });
        Assert.NotEmpty(Compare(job).Differences);
        var told = job with
        {
            WalkRounds =
            [
                .. job.WalkRounds.Select(w =>
                    w.Id == Sample.Id(round) ? w with { FromDocument = true } : w
                ),
            ],
        };
        var compared = Compare(told);
        Assert.Empty(compared.Differences);
        Assert.All(compared.Rises, r => Assert.Equal(Known.Document, r.Rise.Known));
        const string note = "One of the two stands in a document";
        Assert.Contains(compared.Notes, n => n.StartsWith(note, StringComparison.Ordinal));
        Assert.DoesNotContain(
            Compare(job).Notes,
            n => n.StartsWith(note, StringComparison.Ordinal)
        );
        Assert.All(Compare(job).Rises, r => Assert.Equal(Known.Measured, r.Rise.Known));
    }

    [Fact]
    public void A_lip_read_from_two_places_is_compared_from_the_one_that_the_later_round_has()
    {
        // Both rounds read the left front from the hub and from the floor; the tyre is another one.
        var job = Job(After);
        var both = job with
        {
            Readings =
            [
                .. job.Readings,
                Sample.Reading(310, 40, "LF", 900, Datum.Floor),
                Sample.Reading(311, 41, "LF", 962, Datum.Floor),
            ],
        };
        double Rise(JobDocument d) =>
            Compare(d).Rises.Single(r => r.Station == "LF").Rise.Value!.Value;
        Assert.Equal(50, Rise(both), 9);
        var onFloor = both with
        {
            WalkRounds = [.. both.WalkRounds.Select(w => w with { Datum = Datum.Floor })],
        };
        Assert.Equal(62, Rise(onFloor), 9);
    }

    [Fact]
    public void What_differed_in_the_conditions_widens_every_rise()
    {
        var same = Compare(Job(After));
        var loaded = Compare(Job(After, w => w with { Load = "roof tent" }));
        var apart = loaded.Rises[0].Rise.U!.Value;
        Assert.Equal(
            Math.Sqrt(
                Math.Pow(same.Rises[0].Rise.U!.Value, 2) + Math.Pow(ConditionDifferences.LoadMm, 2)
            ),
            apart,
            9
        );
        // A load lifts or sinks the whole body: it is no reason to doubt a single station.
        Assert.Equal(same.Rigid!.ChiSquareProbability, loaded.Rigid!.ChiSquareProbability, 9);
    }

    [Fact]
    public void Another_tyre_leaves_heights_from_the_hub_alone_to_decide()
    {
        var comparison = Compare(
            Job(
                After,
                w => w with { Tyres = [new WheelTyre { Wheel = Corner.LF, Size = "285/70R17" }] }
            )
        );
        Assert.True(comparison.Rises.First(r => r.Station == "LF").Decides);
        Assert.False(comparison.Rises.First(r => r.Station == "LM").Decides);
    }

    [Fact]
    public void The_vehicles_own_lifting_stops_the_verdict()
    {
        var comparison = Compare(Job(After, w => w with { Modes = [VehicleMode.AirRaised] }));
        Assert.All(comparison.Rises, r => Assert.False(r.Decides));
        Assert.Contains(
            comparison.Notes,
            n => n.Contains("lifts itself", StringComparison.Ordinal)
        );
    }

    private static JobDocument Job(double[] after, Func<WalkRound, WalkRound>? change = null)
    {
        var job = Sample.Job(Before, after);
        return job with
        {
            WalkRounds =
            [
                .. job.WalkRounds.Select(w =>
                    w.Id == Sample.Id(41) && change is not null ? change(w) : w
                ),
            ],
        };
    }

    private static Comparison Compare(JobDocument job) =>
        Assert.Single(JobEvaluator.Evaluate(job).Chain);

    private static string Say(JobDocument job) =>
        string.Join("\n", ComparisonWords.Say(Compare(job), LengthStyle.Inches));

    private static Reading Hub(int id, int round, double mm) =>
        Sample.Reading(id, round, null, mm) with
        {
            Kind = ReadingKind.Length,
            Measure = Measures.HubHeight,
            From = null,
            Place = new Place { Kind = PlaceKind.Wheel, Name = "LF" },
        };
}
