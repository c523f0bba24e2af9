using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>The week over the wire: booked, laid out, followed as a calendar, and what it costs.</summary>
public sealed class WeekTests : IDisposable
{
    private readonly Hosted _server = new();

    /// <summary>On a Monday at seven: what a week shows follows from its day.</summary>
    public WeekTests()
    {
        var now = DateTime.UtcNow;
        var monday = now.Date.AddDays(7 - (((int)now.DayOfWeek + 6) % 7));
        _server.Time.Ahead = monday.AddHours(7) - now;
    }

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public void Dispose() => _server.Dispose();

    private static async Task<JsonObject> Week(
        Caller caller,
        string? from = null,
        string zone = "UTC"
    ) =>
        (
            await caller.Get($"/api/week?zone={zone}{(from is null ? "" : $"&from={from}")}")
        ).AsObject();

    private static JsonNode Of(JsonNode week, string plate, string list = "jobs") =>
        week[list]!.AsArray().Single(j => j!["name"]!.GetValue<string>() == plate)!;

    private static string Day(JsonNode week, int day) =>
        week["days"]![day]!["day"]!.GetValue<string>();

    private static string Person(JsonNode week, string name) =>
        week["people"]!.AsArray().Single(p => p!["name"]!.GetValue<string>() == name)![
            "id"
        ]!.GetValue<string>();

    private static Task<(int Status, JsonNode Answer)> Book(
        Caller caller,
        JsonNode week,
        JsonNode job,
        string? bay = "Lift",
        string? day = null,
        string[]? people = null,
        Guid? id = null
    ) =>
        caller.TryDo(
            $"/api/jobs/{job["job"]!.GetValue<string>()}",
            "bookWork",
            job["booking"]?["id"]!.GetValue<Guid>() ?? id ?? Guid.CreateVersion7(),
            new
            {
                bay,
                day = day ?? Day(week, 4),
                from = 540,
                people = people ?? [],
                version = job["version"]?.GetValue<uint>(),
            }
        );

    [Fact]
    public async Task What_is_booked_stands_in_its_week_and_what_is_not_waits_for_a_place()
    {
        var caller = await _server.SignIn();
        var week = await Week(caller);
        Assert.Equal(7, week["days"]!.AsArray().Count);
        Assert.Equal(
            ["Lift", "Floor bay"],
            week["bays"]!.AsArray().Select(b => b!.GetValue<string>())
        );
        // Who only looks on is down for nothing.
        Assert.Equal(
            ["Brenna Tarn", "Linde Sorrel", "Odd Farrow"],
            week["people"]!.AsArray().Select(p => p!["name"]!.GetValue<string>())
        );
        var waiting = Of(week, "SV 204 R", "waiting");
        Assert.Equal(
            200,
            (await Book(caller, week, waiting, people: [Person(week, "Odd Farrow")])).Status
        );
        var now = await Week(caller);
        var booked = Of(now, "SV 204 R");
        Assert.Equal(
            $"{Day(week, 4)}T09:00:00",
            booked["plan"]!["when"]!["from"]!.GetValue<string>()
        );
        Assert.DoesNotContain(
            now["waiting"]!.AsArray(),
            w => w!["name"]!.GetValue<string>() == "SV 204 R"
        );
        // In another week it is counted alone.
        var next = await Week(
            caller,
            DateOnly
                .Parse(Day(week, 0), CultureInfo.InvariantCulture)
                .AddDays(35)
                .ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)
        );
        Assert.Empty(next["jobs"]!.AsArray());
        Assert.Equal(
            now["jobs"]!.AsArray().Count + now["elsewhere"]!.GetValue<int>(),
            next["elsewhere"]!.GetValue<int>()
        );
    }

    [Fact]
    public async Task Two_who_move_one_job_are_told_and_a_repeated_press_books_once()
    {
        var (brenna, odd) = (await _server.SignIn(), await _server.SignIn("odd"));
        var week = await Week(brenna);
        var job = Of(week, "HO 32 T");
        Assert.Equal(200, (await Book(brenna, week, job)).Status);
        var second = await Book(odd, week, job, "Floor bay");
        Assert.Equal("Brenna Tarn", second.Answer["by"]!.GetValue<string>());
        Assert.Equal(409, second.Status);
        Assert.Equal("version", second.Answer["field"]!.GetValue<string>());
        Assert.Equal(
            1,
            await _server.Ask<long>(
                $"select count(*) from bookings where job_id = '{job["job"]!.GetValue<string>()}'"
            )
        );
        // One that was booked for no time: the second finds that somebody was first.
        var waiting = Of(week, "SV 204 R", "waiting");
        Assert.Equal(200, (await Book(brenna, week, waiting)).Status);
        Assert.Equal(409, (await Book(odd, week, waiting)).Status);
    }

    [Fact]
    public async Task Bad_input_is_told_at_its_field_and_other_shops_are_not_seen()
    {
        var caller = await _server.SignIn();
        var week = await Week(caller);
        var job = Of(week, "HO 32 T");
        var bay = await Book(caller, week, job, "Yard");
        Assert.Equal((422, "bay"), (bay.Status, bay.Answer["field"]!.GetValue<string>()));
        var who = await Book(caller, week, job, people: [Guid.CreateVersion7().ToString()]);
        Assert.Equal((422, "people"), (who.Status, who.Answer["field"]!.GetValue<string>()));
        var ruan = await _server.Ask<Guid>(
            "select id from accounts where person_name = 'Ruan Teal'"
        );
        var looks = await Book(caller, week, job, people: [ruan.ToString()]);
        Assert.Equal(422, looks.Status);
        var viewer = await _server.SignIn("ruan");
        Assert.Equal(422, (await Book(viewer, week, job)).Status);
        Assert.Equal(week["jobs"]!.AsArray().Count, (await Week(viewer))["jobs"]!.AsArray().Count);
        // A day that is none, and one of another century, are this week.
        Assert.Equal(Day(week, 0), Day(await Week(caller, "1600-01-01"), 0));
        using var odd = await caller.Http.GetAsync("/api/week?from=soon", Cancel);
        Assert.Equal(400, (int)odd.StatusCode);
    }

    [Fact]
    public async Task The_shop_s_clock_is_that_of_its_zone()
    {
        var caller = await _server.SignIn();
        async Task<DateTime> Now(string zone) =>
            (await Week(caller, zone: zone))["now"]!.GetValue<DateTime>();
        // India is five and a half hours ahead the whole year.
        Assert.InRange((await Now("Asia/Kolkata") - await Now("UTC")).TotalMinutes, 329, 331);
        // A zone that is none is as good as none.
        Assert.InRange((await Now("Nowhere/Else") - await Now("UTC")).TotalMinutes, -1, 1);
        var shop = await caller.Get("/api/shop");
        async Task<int> Settle(string zone, object? hours = null)
        {
            shop = await caller.Get("/api/shop");
            using var answer = await caller.Http.PutAsJsonAsync(
                "/api/shop",
                new
                {
                    version = shop["version"]!.GetValue<uint>(),
                    name = "Skarn Vale Fitting",
                    settings = new
                    {
                        lengthUnit = "in",
                        denominator = 16,
                        datum = "hub",
                        tolerance = (object?)null,
                        hourRate = (double?)null,
                        bays = new[] { "Lift", "Floor bay" },
                        dates = "en-GB",
                        hours,
                        timeZone = zone,
                    },
                },
                Cancel
            );
            return (int)answer.StatusCode;
        }

        Assert.Equal(422, await Settle("Nowhere/Else"));
        Assert.Equal(200, await Settle("Asia/Kolkata"));
        // What the shop has settled goes before what a browser says.
        Assert.InRange(
            (await Now("UTC") - _server.Time.GetUtcNow().UtcDateTime).TotalMinutes,
            329,
            331
        );
        Assert.Equal(
            422,
            await Settle(
                "Asia/Kolkata",
                new
                {
                    opens = 900,
                    pauseFrom = 720,
                    pauseTo = 750,
                    closes = 600,
                    days = new[] { "monday" },
                }
            )
        );
        // In a calendar the work stands in that zone.
        var text = await caller.Http.GetStringAsync("/api/calendar.ics", Cancel);
        Assert.Contains("BEGIN:VTIMEZONE", text, StringComparison.Ordinal);
        Assert.Contains("DTSTART;TZID=Asia/Kolkata:", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Times_that_steps_took_here_change_the_hours_at_once()
    {
        var caller = await _server.SignIn();
        var before = Of(await Week(caller), "TM 41 F")["plan"]!["time"]![
            "median"
        ]!.GetValue<double>();
        await _server.Ask<long>(
            "with x as (update step_entries set minutes = minutes * 2 where minutes is not null returning 1) select count(*) from x"
        );
        var after = Of(await Week(caller), "TM 41 F")["plan"]!["time"]![
            "median"
        ]!.GetValue<double>();
        Assert.InRange(after / before, 1.6, 2.1);
    }

    [Fact]
    public async Task What_an_earlier_nokko_kept_nothing_of_is_worked_out_when_it_is_looked_at()
    {
        var caller = await _server.SignIn();
        var before = await Week(caller);
        await _server.Ask<long>(
            "with x as (delete from job_workloads returning 1) select count(*) from x"
        );
        var after = await Week(caller);
        foreach (var (list, what) in new[] { ("jobs", "by"), ("waiting", "by") })
        {
            Assert.Equal(
                before[list]!.AsArray().Select(j => j![what]!.GetValue<string>()),
                after[list]!.AsArray().Select(j => j![what]!.GetValue<string>())
            );
        }
    }

    [Fact]
    public async Task What_is_done_of_the_card_is_less_to_do()
    {
        var caller = await _server.SignIn();
        var week = await Week(caller);
        var job = Of(week, "HO 31 T");
        var path = $"/api/jobs/{job["job"]!.GetValue<string>()}";
        var view = await caller.Get(path);
        var done = view["document"]!["steps"]!
            .AsArray()
            .Select(s => s!["step"]!.GetValue<string>())
            .ToHashSet();
        var next = view["card"]!["steps"]!
            .AsArray()
            .First(s => !done.Contains(s!["key"]!.GetValue<string>()))!;
        await caller.Do(
            path,
            "doStep",
            Guid.CreateVersion7(),
            new
            {
                step = next["key"]!.GetValue<string>(),
                minutes = 5,
                reason = "it is so",
                reached = Array.Empty<object>(),
            }
        );
        int Steps(JsonNode j) => j["plan"]!["time"]!["steps"]!.GetValue<int>();
        Assert.Equal(Steps(job) - 1, Steps(Of(await Week(caller), "HO 31 T")));
    }

    [Fact]
    public async Task A_followed_calendar_names_hands_and_other_vehicles_only_where_that_was_chosen()
    {
        var caller = await _server.SignIn();
        async Task<string> Text(bool plates, bool owners)
        {
            var token = (await caller.Post("/api/calendars", new { plates, owners }))["token"]!;
            return (
                await _server
                    .CreateClient()
                    .GetStringAsync($"/calendar/{token.GetValue<string>()}.ics", Cancel)
            ).Replace("\r\n ", "", StringComparison.Ordinal);
        }

        var bare = await Text(false, false);
        Assert.Contains("LOCATION:Lift", bare, StringComparison.Ordinal);
        Assert.Contains("SUMMARY:Work: Ostrel Drover", bare, StringComparison.Ordinal);
        foreach (var name in new[] { "Odd Farrow", "Linde", "HO 31 T", "TM 41 F", "Hollin" })
        {
            Assert.DoesNotContain(name, bare, StringComparison.Ordinal);
        }
        var plates = await Text(true, false);
        Assert.Contains("HO 31 T", plates, StringComparison.Ordinal);
        var people = await Text(false, true);
        Assert.Contains("Odd Farrow", people, StringComparison.Ordinal);
        foreach (var (text, name) in new[] { (plates, "Brenna Tarn"), (people, "HO 32 T") })
        {
            Assert.DoesNotContain(name, text, StringComparison.Ordinal);
        }
        var full = await Text(true, true);
        Assert.Contains("still at", full, StringComparison.Ordinal);
        Assert.Contains("Odd Farrow", full, StringComparison.Ordinal);
        Assert.Contains("HO 31 T", full, StringComparison.Ordinal);
    }
}
