using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Readings out as CSV and in again, with every row looked at before anything is stored.</summary>
public sealed class ReadingsCsvTests(Hosted server) : IClassFixture<Hosted>
{
    [Fact]
    public async Task What_goes_out_comes_in_again_in_another_job_to_the_same_heights()
    {
        var (caller, job) = await Begun();
        await job.ReadAll("20 1/2", "20 1/2 +", "22 7/8", "581 mm", "41", "41");
        await caller.Do(
            job.Path,
            "storeMeasure",
            new
            {
                commandId = Guid.CreateVersion7(),
                id = Guid.CreateVersion7(),
                walkRoundId = job.Round,
                measure = "ride",
                place = "vehicle",
                typed = "=HYPERLINK(1), \"like a boat\",\nat speed",
                over = (object?)null,
                answers = Array.Empty<string>(),
                takenAt = DateTimeOffset.UtcNow,
                supersedes = (Guid?)null,
                reason = (string?)null,
            }
        );
        var csv = await caller.Http.GetStringAsync(
            $"{job.Path}/readings.csv",
            TestContext.Current.CancellationToken
        );
        // Nothing in it is run by a spreadsheet, and what is read again is itself.
        Assert.Contains("\"'=HYPERLINK(1)", csv, StringComparison.Ordinal);
        Assert.StartsWith("reading_id,walk_round_id,", csv, StringComparison.Ordinal);
        Assert.Contains("\r\n", csv, StringComparison.Ordinal);

        // Into the same job again: every row is here already.
        var same = await Look(caller, job, csv);
        Assert.All(same["rows"]!.AsArray(), r => Assert.True(r!["isHere"]!.GetValue<bool>()));

        var (_, other) = await Begun();
        var fresh = WithoutColumn(csv, "reading_id");
        var preview = await Look(caller, other, fresh);
        Assert.Equal(7, preview["good"]!.GetValue<int>());
        Assert.Empty((await caller.Get(other.Path))["document"]!["readings"]!.AsArray());
        var view = await Store(caller, other, fresh);
        var mine = await caller.Get(job.Path);
        Assert.Equal(Heights(mine), Heights(view));
        Assert.Equal(
            "=HYPERLINK(1), \"like a boat\",\nat speed",
            view["document"]!["readings"]!
                .AsArray()
                .First(r => r!["kind"]!.GetValue<string>() == "note")!["note"]!
                .GetValue<string>()
                .ReplaceLineEndings("\n")
        );
    }

    [Fact]
    public async Task Bad_rows_are_named_by_their_line_and_the_good_ones_can_be_stored()
    {
        var (caller, job) = await Begun();
        const string csv = """
            place,from,typed,value_mm,confirmed
            LF,hub,20 1/2,,
            RF,hub,20 1.2,,
            XX,hub,20 1/2,,
            LR,roof,22,,
            RR,hub,,581.2,
            LM,floor,tall,,
            LF,hub,44,,
            LF,hub,29,,yes
            """;
        var preview = await Look(caller, job, csv);
        var rows = preview["rows"]!.AsArray();
        Assert.Equal([2, 3, 4, 5, 6, 7, 8, 9], rows.Select(r => r!["line"]!.GetValue<int>()));
        Assert.Equal(
            [2, 6, 9],
            rows.Where(r => r!["problem"] is null).Select(r => r!["line"]!.GetValue<int>())
        );
        Assert.Contains(
            "Write yes into “confirmed”",
            rows[6]!["problem"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        var view = await Store(caller, job, csv);
        Assert.Equal(3, view["document"]!["readings"]!.AsArray().Count);
    }

    [Theory]
    [InlineData("", "place")]
    [InlineData("station,typed\nLF,20", "place")]
    [InlineData("place,colour\nLF,red", "colour")]
    [InlineData("place,from,typed\n\"LF,hub,20", "not CSV")]
    public async Task A_file_that_is_none_is_refused_as_a_whole(string csv, string why)
    {
        var (caller, job) = await Begun();
        var preview = await Look(caller, job, csv);
        Assert.Contains(why, preview["problem"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    private async Task<(Caller, TestJob)> Begun()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        return (caller, job);
    }

    private static Task<JsonNode> Look(Caller caller, TestJob job, string csv) =>
        caller.Post($"{job.Path}/readings-csv/preview", new { walkRoundId = job.Round, csv });

    private static async Task<JsonNode> Store(Caller caller, TestJob job, string csv)
    {
        var found = await Look(caller, job, csv);
        return await caller.Do(
            job.Path,
            "bringInReadings",
            new { heights = found["heights"], measures = found["measures"] }
        );
    }

    /// <summary>Renames nothing, only empties the first column, as a spreadsheet would.</summary>
    private static string WithoutColumn(string csv, string column)
    {
        Assert.StartsWith(column, csv, StringComparison.Ordinal);
        return System.Text.RegularExpressions.Regex.Replace(
            csv,
            "^[0-9a-f-]{36},",
            ",",
            System.Text.RegularExpressions.RegexOptions.Multiline
        );
    }

    private static (string, double)[] Heights(JsonNode view) =>
        [
            .. view["results"]!["walkRounds"]![0]!["stations"]!
                .AsArray()
                .Select(s =>
                    (
                        s!["station"]!.GetValue<string>(),
                        Math.Round(s["height"]!["value"]!.GetValue<double>(), 6)
                    )
                ),
        ];
}
