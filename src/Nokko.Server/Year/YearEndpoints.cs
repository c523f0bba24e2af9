using System.Globalization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.Year;
using Nokko.Server.Hosting;
using Nokko.Server.Week;
using Nokko.Storage;

namespace Nokko.Server.Year;

/// <summary>The shop's year: what was right at the first try, what came back, how long it took, what settled.</summary>
internal static class YearEndpoints
{
    /// <summary>A job that came back.</summary>
    /// <param name="JobId">The job in which it came back.</param>
    /// <param name="Vehicle">The vehicle: make, name, plate.</param>
    /// <param name="Day">The day on which it left again.</param>
    /// <param name="Comeback">What it came back for and by.</param>
    /// <param name="Days">Days between the hand-over before and its coming back; null where the one before is not known.</param>
    internal sealed record ComebackLine(
        Guid JobId,
        string Vehicle,
        DateOnly Day,
        Comeback Comeback,
        int? Days
    );

    /// <summary>Springs of which vehicles have shown how far they come down.</summary>
    /// <param name="Name">As said.</param>
    /// <param name="Axle">The axle.</param>
    /// <param name="Platform">The platform whose own springs they are; null of a part.</param>
    /// <param name="Vehicles">How many have shown it.</param>
    /// <param name="Rise">Rise of the mean lip by 500 miles, mm, mean of all vehicles: what comes down is below zero.</param>
    /// <param name="Usual">What is believed before any has shown it: a rule of thumb.</param>
    internal sealed record SpringLine(
        string Name,
        Axle Axle,
        string? Platform,
        int Vehicles,
        Result Rise,
        Result Usual
    );

    /// <summary>The year as it is shown.</summary>
    /// <param name="Year">Its sums.</param>
    /// <param name="First">The first year in which a job was handed over.</param>
    /// <param name="Last">The last one that can be asked for: this year.</param>
    /// <param name="Comebacks">What came back, the latest first, at most <see cref="MostComebacks"/>.</param>
    /// <param name="Springs">What springs do by 500 miles, by all years, those that most vehicles have shown first.</param>
    internal sealed record YearView(
        ShopYear Year,
        int First,
        int Last,
        IReadOnlyList<ComebackLine> Comebacks,
        IReadOnlyList<SpringLine> Springs
    );

    private const int MostComebacks = 30;
    private const int MostSprings = 60;
    private const int FirstYear = 1990;

    private static readonly string[] Columns =
    [
        "handed_over",
        "make",
        "model",
        "plate",
        "platform",
        "first_try",
        "plans_fitted",
        "causes_found",
        "came_back_for",
        "came_back_by",
        "steps_timed",
        "usual_h",
        "taken_h",
    ];

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/year", Show);
        api.MapGet("/year.csv", Csv).Produces<string>(StatusCodes.Status200OK, "text/csv");
    }

    private static async Task<Results<Ok<YearView>, ProblemHttpResult>> Show(
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel,
        int? year = null,
        string? zone = null
    )
    {
        var time = await TimeOf(db, zone, cancel);
        var now = time.Local(clock.GetUtcNow()).Year;
        var asked = year ?? now;
        if (WhyNot(asked, now) is { } why)
        {
            return why.Answer();
        }
        var jobs = await JobsOf(db, time, asked, cancel);
        var earliest = await db
            .Years.OrderBy(y => y.HandedOverAt)
            .Select(y => (DateTimeOffset?)y.HandedOverAt)
            .FirstOrDefaultAsync(cancel);
        return TypedResults.Ok(
            new YearView(
                ShopYear.Of(asked, [.. jobs.Select(j => j.Job)]),
                earliest is { } first ? time.Local(first).Year : now,
                now,
                await Comebacks(db, jobs, cancel),
                await Springs(db, cancel)
            )
        );
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Csv(
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel,
        int? year = null,
        string? zone = null
    )
    {
        var time = await TimeOf(db, zone, cancel);
        var now = time.Local(clock.GetUtcNow()).Year;
        var asked = year ?? now;
        if (WhyNot(asked, now) is { } why)
        {
            return why.Answer();
        }
        var jobs = await JobsOf(db, time, asked, cancel);
        var keys = jobs.Select(j => j.Id).ToArray();
        var named = await (
            from j in db.Jobs
            where keys.Contains(j.Id)
            join v in db.Vehicles on j.VehicleId equals v.Id
            join p in db.Platforms on v.PlatformId equals p.Id
            select new
            {
                j.Id,
                v.Make,
                v.Name,
                v.Plate,
                Platform = p.Name,
            }
        ).ToDictionaryAsync(n => n.Id, cancel);
        return await CsvTable.Of(
            $"year-{asked}.csv",
            Columns,
            jobs.Where(j => named.ContainsKey(j.Id))
                .Select(j =>
                {
                    var (name, facts) = (named[j.Id], j.Job.Facts);
                    return (IEnumerable<string?>)
                        [
                            j.Job.Day.ToString("O", CultureInfo.InvariantCulture),
                            name.Make,
                            name.Name,
                            name.Plate,
                            name.Platform,
                            facts.First.Said(),
                            Number(facts.Passes),
                            string.Join("; ", facts.Causes.Select(CauseWords.Bare)),
                            facts.Comeback?.For.Said(),
                            facts.Comeback?.Cause?.Said(),
                            Number(facts.Steps),
                            Number(facts.UsualMinutes / 60),
                            Number(facts.TakenMinutes / 60),
                        ];
                })
        );

        static string Number(double number) =>
            number.ToString("0.##", CultureInfo.InvariantCulture);
    }

    private static Trouble? WhyNot(int asked, int last) =>
        asked < FirstYear || asked > last
            ? Trouble.At("year", $"A year from {FirstYear} to {last}.")
            : null;

    private static async Task<ShopTime> TimeOf(NokkoDb db, string? zone, CancellationToken cancel)
    {
        var settings = await db
            .Shops.AsNoTracking()
            .Where(s => s.Id == db.ShopId)
            .Select(s => s.Settings)
            .SingleAsync(cancel);
        return ShopTime.Of(settings.TimeZone, zone);
    }

    /// <summary>Jobs that were handed over in a year of the shop's own time, in their order.</summary>
    private static async Task<List<(Guid Id, YearJob Job)>> JobsOf(
        NokkoDb db,
        ShopTime time,
        int year,
        CancellationToken cancel
    )
    {
        // No clock on a wall differs from UTC by more than a day.
        var from = new DateTimeOffset(year, 1, 1, 0, 0, 0, TimeSpan.Zero);
        var rows = await db
            .Years.AsNoTracking()
            .Where(y =>
                y.HandedOverAt > from.AddDays(-1) && y.HandedOverAt < from.AddYears(1).AddDays(1)
            )
            .OrderBy(y => y.HandedOverAt)
            .ToListAsync(cancel);
        return
        [
            .. rows.Select(y =>
                    (y.Id, new YearJob(DateOnly.FromDateTime(time.Local(y.HandedOverAt)), y.Facts))
                )
                .Where(y => y.Item2.Day.Year == year),
        ];
    }

    private static async Task<List<ComebackLine>> Comebacks(
        NokkoDb db,
        List<(Guid Id, YearJob Job)> jobs,
        CancellationToken cancel
    )
    {
        var latest = jobs.Where(j => j.Job.Facts.Comeback is not null)
            .Reverse()
            .Take(MostComebacks)
            .ToArray();
        var keys = latest.Select(j => j.Id).ToArray();
        var rows = await (
            from j in db.Jobs
            where keys.Contains(j.Id) && j.Comeback != null
            join v in db.Vehicles on j.VehicleId equals v.Id
            select new
            {
                j.Id,
                v.Make,
                v.Name,
                v.Plate,
                j.Comeback,
                j.TakenInAt,
                Left = db
                    .Jobs.Where(o => o.VehicleId == j.VehicleId && o.HandedOverAt < j.TakenInAt)
                    .Max(o => o.HandedOverAt),
            }
        ).ToDictionaryAsync(r => r.Id, cancel);
        return
        [
            .. latest
                .Where(j => rows.ContainsKey(j.Id))
                .Select(j =>
                {
                    var row = rows[j.Id];
                    return new ComebackLine(
                        j.Id,
                        $"{row.Make} {row.Name} {row.Plate}".TrimEnd(),
                        j.Job.Day,
                        row.Comeback!,
                        row.Left is { } left ? (int)(row.TakenInAt - left).TotalDays : null
                    );
                }),
        ];
    }

    private static async Task<List<SpringLine>> Springs(NokkoDb db, CancellationToken cancel)
    {
        var rows = await db
            .SettledSprings.AsNoTracking()
            .Where(s => s.SpringOf != null)
            .GroupBy(s => new
            {
                s.SpringOf,
                s.Axle,
                s.Family,
                s.IsNew,
            })
            .Select(g => new
            {
                g.Key,
                Name = g.Max(s => s.Name)!,
                Vehicles = g.Count(),
                Weight = g.Sum(s => s.Weight),
                Weighted = g.Sum(s => s.Weight * s.Mm),
            })
            .OrderByDescending(g => g.Vehicles)
            .ThenBy(g => g.Name)
            .Take(MostSprings)
            .ToListAsync(cancel);
        var platforms = await db
            .Platforms.AsNoTracking()
            .Where(p => rows.Select(r => r.Key.SpringOf).Contains(p.Id))
            .ToDictionaryAsync(p => p.Id, p => p.Name, cancel);
        return
        [
            .. rows.Select(r =>
            {
                var key = new SpringKey(
                    r.Key.SpringOf!.Value,
                    r.Key.Axle,
                    r.Key.Family ?? LiftFamily.None
                );
                return new SpringLine(
                    r.Name,
                    r.Key.Axle,
                    platforms.GetValueOrDefault(key.Of),
                    r.Vehicles,
                    Down(
                        SpringSettling.Mean(
                            r.Key.IsNew,
                            new SettledSums(key, r.Vehicles, r.Weight, r.Weighted)
                        ),
                        Known.Computed
                    ),
                    Down(SpringSettling.Usual(r.Key.IsNew), Known.Estimated)
                );
            }),
        ];

        static Result Down(Estimate down, Known known) =>
            Result.Of(-down.Mean, Unit.Mm, down.Sd, [], known);
    }
}
