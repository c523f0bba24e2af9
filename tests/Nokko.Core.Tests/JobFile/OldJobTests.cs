using Nokko.Core.Evidence;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.JobFile;

/// <summary>A line of a table of old jobs becomes a job that is told and teaches little.</summary>
public class OldJobTests
{
    private static readonly Dictionary<string, string> Line = new()
    {
        ["date"] = "2024-03-18",
        ["platform"] = "Drover",
        ["make"] = "Ostrel",
        ["name"] = "Drover",
        ["plate"] = "SV 1 A",
        ["sort"] = "pickup",
        ["front"] = "coil over arm",
        ["rear"] = "leafOverslung",
        ["axle"] = "front",
        ["part"] = "Alder plate",
        ["kind"] = "Strut top spacer",
        ["thickness"] = "1 in",
        ["claim"] = "2 in",
        ["before_lf"] = "20 1/2",
        ["before_rf"] = "20 1/2",
        ["before_lr"] = "22 7/8",
        ["before_rr"] = "22 7/8",
        ["after_lf"] = "22 3/8",
        ["after_rf"] = "22 3/8",
        ["after_lr"] = "22 7/8",
        ["after_rr"] = "22 7/8",
    };

    private static OldJobContext Context(Platform? platform = null, Owner? owner = null) =>
        new(
            Sample.Id(1),
            new Person { Id = Sample.Id(5), Name = "Brenna" },
            Sample.At(0),
            LengthStyle.Inches,
            _ => platform,
            _ => owner
        );

    private static JobDocument Read(params (string Column, string? Text)[] other)
    {
        var cells = new Dictionary<string, string>(Line);
        foreach (var (column, text) in other)
        {
            if (text is null)
            {
                cells.Remove(column);
            }
            else
            {
                cells[column] = text;
            }
        }
        return OldJob.Read(cells.GetValueOrDefault, Context());
    }

    private static JobTrial Front(JobDocument d) =>
        JobEvaluator.TrialsOf(d, JobEvaluator.StancesOf(d)).Single(t => t.Axle == Axle.Front);

    [Fact]
    public void It_comes_in_handed_over_told_and_with_the_prediction_that_would_have_been()
    {
        var d = Read();
        Assert.Equal(new DateTimeOffset(2024, 3, 18, 12, 0, 0, TimeSpan.Zero), d.Plans[0].BegunAt);
        Assert.NotNull(d.Job.HandedOverAt);
        Assert.Equal([0, 1], d.Stages.Select(s => s.Ordinal));
        Assert.Equal(2, d.Stages[1].Stacks.Count);
        Assert.Equal(8, d.Readings.Count);
        Assert.All(d.Readings, r => Assert.Equal(Known.Told, r.Value!.Known));
        Assert.All(d.WalkRounds, w => Assert.True(w.Told));
        Assert.Equal(
            ("no plate", "From the books"),
            (Read(("plate", null)).Vehicle.Plate, d.Owner.Name)
        );
        var results = JobEvaluator.Evaluate(d);
        var proof = Assert.Single(results.Proofs);
        Assert.Contains("told", Assert.Single(proof.Marks), StringComparison.Ordinal);
        Assert.Empty(proof.HeldBack);
        var rise = proof.Comparison!.MeanRise(Axle.Front);
        Assert.Equal(1.875 * 25.4, rise.Value!.Value, 1e-9);
        Assert.Contains(proof.Comparison.Differences, x => x.Key == "told");
        Assert.Equal("Alder plate, told", Assert.Single(Front(d).Parts));
        // As a file it is read back as it is.
        var again = JobFileReader.Read(JobJson.Canonical(d)).Document!;
        Assert.Equal(JobJson.Canonical(d), JobJson.Canonical(again));
    }

    [Fact]
    public void The_same_line_is_the_same_job_and_another_one_is_another()
    {
        Assert.Equal(Read().Job.Id, Read().Job.Id);
        Assert.Equal(Read().Readings.Select(r => r.Id), Read().Readings.Select(r => r.Id));
        Assert.NotEqual(Read().Job.Id, Read(("after_lf", "22 1/2")).Job.Id);
        Assert.Equal(Read().Job.Id, Read(("plate", " SV 1 A ")).Job.Id);
        Assert.NotEqual(
            Read().Job.Id,
            OldJob.Read(Line.GetValueOrDefault, Context() with { Shop = Sample.Id(2) }).Job.Id
        );
        var there = new Platform { Id = Sample.Id(77), Name = "Drover" };
        var owner = new Owner { Id = Sample.Id(78), Name = "From the books" };
        var d = OldJob.Read(Line.GetValueOrDefault, Context(there, owner));
        Assert.Equal((there.Id, owner.Id), (d.Vehicle.PlatformId, d.Vehicle.OwnerId));
        // The shop has learned of both meanwhile: it is the same job still.
        Assert.Equal(Read().Job.Id, d.Job.Id);
        Assert.Equal(Read().Vehicle.Id, d.Vehicle.Id);
    }

    /// <summary>The second way: the same heights, measured with all that Nokko asks for.</summary>
    [Fact]
    public void It_teaches_the_same_lift_as_a_measured_one_and_much_less_surely()
    {
        var told = Front(Read()).Trial!;
        var d = Read();
        var measured = Front(
            d with
            {
                WalkRounds =
                [
                    .. d.WalkRounds.Select(w =>
                        w with
                        {
                            Told = false,
                            HubMarked = true,
                            FloorSurveyed = true,
                            Spot = "bay 1",
                        }
                    ),
                ],
                Readings =
                [
                    .. d.Readings.Select(r =>
                        r with
                        {
                            Value = r.Value! with { Known = Known.Measured },
                        }
                    ),
                ],
            }
        ).Trial!;
        Assert.Equal(25.4, told.ThicknessMm, 1e-9);
        Assert.Equal(measured.FreeRiseMm, told.FreeRiseMm, 3.0);
        // How many told jobs weigh as one that was measured.
        Assert.InRange(Math.Pow(told.FreeRiseUMm / measured.FreeRiseUMm, 2), 8, 25);
        Assert.InRange(told.FreeRiseUMm, 3, 12);
    }

    [Fact]
    public void Without_all_lips_or_a_thickness_it_stands_and_teaches_nothing()
    {
        var lips = Front(Read(("after_rr", null)));
        Assert.Null(lips.Trial);
        Assert.Contains("All four lips", lips.WhyNot, StringComparison.Ordinal);
        Assert.Null(Front(Read(("thickness", null))).Trial);
        Assert.Equal(
            1,
            Read(("before_lf", null), ("before_rf", null), ("before_lr", null))
                .Readings.Count(r => r.TakenAt < Read().Plans[0].BegunAt)
        );
    }

    [Theory]
    [InlineData("date", "18.3.2024")]
    [InlineData("date", "1979-12-31")]
    [InlineData("date", "2026-03-03")] // the day after
    [InlineData("date", null)]
    [InlineData("platform", null)]
    [InlineData("make", " ")]
    [InlineData("name", null)]
    [InlineData("sort", "lorry")]
    [InlineData("front", "coil")]
    [InlineData("rear", null)]
    [InlineData("axle", "both")]
    [InlineData("part", null)]
    [InlineData("kind", "coilSpring")]
    [InlineData("kind", "tyre")]
    [InlineData("kind", "block")] // not in front of a coil
    [InlineData("from", "own")]
    [InlineData("from", "moon")]
    [InlineData("thickness", "thick")]
    [InlineData("claim", "much")]
    [InlineData("before_lf", "tall")]
    [InlineData("after_rr", "999 in")]
    public void What_cannot_be_is_refused_at_its_column(string column, string? text)
    {
        var why = Assert.Throws<RefusedException>(() => Read((column, text))).Refusal;
        Assert.Equal(column, why.Field);
        Assert.Matches(@"[.?:]$", why.Message);
    }

    [Fact]
    public void A_height_before_and_one_after_are_needed()
    {
        (string, string?)[] None(string when) =>
            [.. ((string[])["lf", "rf", "lr", "rr"]).Select(c => ($"{when}_{c}", (string?)null))];
        Assert.Equal(
            "before_lf",
            Assert.Throws<RefusedException>(() => Read(None("before"))).Refusal.Field
        );
        Assert.Equal(
            "after_lf",
            Assert.Throws<RefusedException>(() => Read(None("after"))).Refusal.Field
        );
        Assert.Equal(Datum.Floor, Read(("from", "Floor")).WalkRounds[0].Datum);
        Assert.All(OldJob.Needed, c => Assert.Contains(c, OldJob.Columns));
    }
}
