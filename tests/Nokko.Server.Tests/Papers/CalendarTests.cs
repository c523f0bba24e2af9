using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>What is to come, as a calendar program reads it: by a reader of its own, after RFC 5545.</summary>
public class CalendarTests(Hosted server) : IClassFixture<Hosted>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    /// <summary>The events of a calendar: folded lines put together, names without their parameters, text without its escapes.</summary>
    private static List<Dictionary<string, string>> Read(string text)
    {
        Assert.StartsWith("BEGIN:VCALENDAR\r\n", text, StringComparison.Ordinal);
        Assert.EndsWith("END:VCALENDAR\r\n", text, StringComparison.Ordinal);
        // No line is longer than 75 octets, and every one ends with both characters.
        Assert.All(
            text.Split("\r\n"),
            l =>
            {
                Assert.True(System.Text.Encoding.UTF8.GetByteCount(l) <= 75, l);
                Assert.DoesNotContain('\n', l);
            }
        );
        var events = new List<Dictionary<string, string>>();
        foreach (
            var line in text.Replace("\r\n ", "", StringComparison.Ordinal)
                .Split("\r\n", StringSplitOptions.RemoveEmptyEntries)
        )
        {
            if (line == "BEGIN:VEVENT")
            {
                events.Add([]);
            }
            else if (events.Count > 0 && !line.StartsWith("END:", StringComparison.Ordinal))
            {
                var (name, value) = (line[..line.IndexOf(':')], line[(line.IndexOf(':') + 1)..]);
                events[^1]
                    .Add(
                        name.Split(';')[0],
                        value
                            .Replace("\\n", "\n", StringComparison.Ordinal)
                            .Replace("\\,", ",", StringComparison.Ordinal)
                            .Replace("\\;", ";", StringComparison.Ordinal)
                            .Replace("\\\\", "\\", StringComparison.Ordinal)
                    );
            }
        }
        return events;
    }

    private static DateOnly Day(string value) =>
        DateOnly.ParseExact(value, "yyyyMMdd", CultureInfo.InvariantCulture);

    [Fact]
    public async Task Follow_ups_that_are_open_and_promised_days_stand_on_their_days()
    {
        var caller = await server.SignIn();
        using var answer = await caller.Http.GetAsync("/api/calendar.ics", Cancel);
        Assert.Equal("text/calendar", answer.Content.Headers.ContentType!.MediaType);
        var events = Read(await answer.Content.ReadAsStringAsync(Cancel));
        var open = await server.Ask<long>(
            "select count(*) from follow_ups where done_at is null and due_on is not null"
        );
        var promised = await server.Ask<long>(
            "select count(*) from jobs where handed_over_at is null and promised_on is not null"
        );
        var booked = await server.Ask<long>("select count(*) from bookings");
        Assert.True(open > 3 && promised > 3 && booked > 3);
        Assert.Equal(open + promised + booked, events.Count);
        Assert.Equal(events.Count, events.Select(e => e["UID"]).Distinct().Count());
        var work = events.Where(e => e.ContainsKey("LOCATION")).ToList();
        Assert.Equal(booked, work.Count);
        events.RemoveAll(work.Contains);
        Assert.All(events, e => Assert.Equal(Day(e["DTSTART"]).AddDays(1), Day(e["DTEND"])));
        Assert.Equal(events.Select(e => e["DTSTART"]).Order(), events.Select(e => e["DTSTART"]));
        var due = await server.Ask<DateOnly>(
            "select min(due_on) from follow_ups where done_at is null"
        );
        Assert.Contains(events, e => Day(e["DTSTART"]) == due);
        Assert.Contains(
            events,
            e => e["SUMMARY"].StartsWith("Promised: ", StringComparison.Ordinal)
        );
    }

    [Fact]
    public async Task A_followed_calendar_shows_what_was_chosen_follows_what_is_done_and_ends_when_it_is_taken_back()
    {
        var caller = await server.SignIn();
        var anybody = server.CreateClient();
        async Task<string> Follow(bool plates, bool owners) =>
            (await caller.Post("/api/calendars", new { plates, owners }))[
                "token"
            ]!.GetValue<string>();
        Task<string> Text(string token) => anybody.GetStringAsync($"/calendar/{token}.ics", Cancel);
        string Unfolded(string text) => text.Replace("\r\n ", "", StringComparison.Ordinal);

        var (bare, full) = (await Follow(false, false), await Follow(true, true));
        var without = Unfolded(await Text(bare));
        Assert.DoesNotContain("SV 118 K", without, StringComparison.Ordinal);
        Assert.DoesNotContain("Fernhill hire", without, StringComparison.Ordinal);
        var with = Unfolded(await Text(full));
        Assert.Contains("SV 118 K", with, StringComparison.Ordinal);
        Assert.Contains("Fernhill hire", with, StringComparison.Ordinal);
        using (var answer = await anybody.GetAsync($"/calendar/{full}.ics", Cancel))
        {
            // What was taken back stays in no cache on the way.
            Assert.True(answer.Headers.CacheControl!.NoStore);
        }

        var job = (await caller.Get("/api/yard?find=118"))["jobs"]![0]![
            "jobId"
        ]!.GetValue<string>();
        var followUp = (await caller.Get($"/api/jobs/{job}"))["document"]!["followUps"]!
            .AsArray()
            .First(f => f!["doneAt"] is null)!["id"]!.GetValue<string>();
        Assert.Contains($"{followUp}@nokko", with, StringComparison.Ordinal);
        await caller.Do(
            $"/api/jobs/{job}",
            "finishFollowUp",
            new
            {
                commandId = Guid.CreateVersion7(),
                id = followUp,
                note = "nothing moved",
            }
        );
        Assert.DoesNotContain(
            $"{followUp}@nokko",
            Unfolded(await Text(full)),
            StringComparison.Ordinal
        );

        var open = (await caller.Get("/api/calendars")).AsArray();
        foreach (var a in open)
        {
            await caller.Post($"/api/shared/{a!["id"]!.GetValue<string>()}/end", new { });
        }
        foreach (var token in new[] { bare, full })
        {
            using var gone = await anybody.GetAsync($"/calendar/{token}.ics", Cancel);
            Assert.Equal(HttpStatusCode.NotFound, gone.StatusCode);
        }
    }
}
