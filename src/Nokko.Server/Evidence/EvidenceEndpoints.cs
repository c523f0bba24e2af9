using System.Globalization;
using CsvHelper;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Evidence;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.Evidence;

/// <summary>What the shop's own jobs have proved.</summary>
internal static class EvidenceEndpoints
{
    private const int Page = 50;

    /// <summary>The numbers of a trial, without words.</summary>
    private sealed record Numbers(
        Guid PlanId,
        Axle Axle,
        Guid JobId,
        Guid VehicleId,
        LineKey Line,
        double? ClaimMm,
        double? MeasuredMm,
        double? MeasuredUMm,
        LiftTrial? Trial
    );

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/evidence", Show);
        api.MapGet("/evidence/trials", List);
        api.MapGet("/evidence.csv", Csv).Produces<string>(StatusCodes.Status200OK, "text/csv");
    }

    private static async Task<Ok<EvidenceView>> Show(NokkoDb db, CancellationToken cancel)
    {
        var trials = await AllNumbers(db, cancel);
        var byLine = trials.Where(t => t.Trial is not null).ToLookup(t => t.Line);
        var priors = await Priors(
            db,
            byLine.ToDictionary(l => l.Key, l => l.First().VehicleId),
            cancel
        );
        EvidenceLine[] lines =
        [
            .. byLine
                .Select(l =>
                    EvidenceLine.Of(
                        l.Key,
                        priors[l.Key],
                        [.. l.Select(t => new LineTrial((t.PlanId, t.Axle), t.VehicleId, t.Trial!))]
                    )
                )
                .OrderByDescending(l => l.Jobs),
        ];
        var claims = ClaimSummary.Of(
            trials
                .Where(t => t is { ClaimMm: not null, MeasuredMm: not null })
                .Select(t => new ClaimPoint(
                    (t.PlanId, t.Axle),
                    t.ClaimMm!.Value,
                    t.MeasuredMm!.Value,
                    t.MeasuredUMm ?? 0
                ))
        );
        var vehicleOf = trials.ToDictionary(t => (t.PlanId, t.Axle));
        var said = await Said(
            db,
            [
                .. lines.SelectMany(l => l.Steps.Select(s => s.Of.VehicleId)),
                .. claims.Drawn.Select(c => vehicleOf[c.Key].VehicleId),
            ],
            cancel
        );
        Guid[] plans = [.. claims.Drawn.Select(c => c.Key.PlanId).Distinct()];
        var parts = await db
            .Trials.AsNoTracking()
            .Where(t => plans.Contains(t.PlanId))
            .ToDictionaryAsync(t => (t.PlanId, t.Axle), t => t.Parts, cancel);
        var platforms = await db
            .Platforms.AsNoTracking()
            .ToDictionaryAsync(p => p.Id, p => p.Name, cancel);
        return TypedResults.Ok(
            new EvidenceView(
                trials.Count,
                [
                    .. lines.Select(l => new LineView(
                        platforms[l.Line.PlatformId],
                        l.Line.Axle,
                        l.Line.Suspension,
                        l.Line.Family,
                        l.Prior,
                        l.PriorOffsetMm,
                        l.OffsetMm,
                        l.Ratio,
                        l.Covariance,
                        l.Jobs,
                        l.Vehicles,
                        l.Drawn,
                        [
                            .. l.Steps.Select(s => new StepView(
                                vehicleOf[s.Of.Key].JobId,
                                said[s.Of.VehicleId],
                                s.Expected.Mean,
                                s.Of.Trial.FreeRiseMm,
                                s.Ratio,
                                s.Off,
                                Math.Abs(s.Off) > LineStep.Outlier
                            )),
                        ]
                    )),
                ],
                claims.Count,
                claims.Within,
                claims.MeanShare,
                [
                    .. claims.Drawn.Select(c => new ClaimView(
                        c.Key.PlanId,
                        c.Key.Axle,
                        said[vehicleOf[c.Key].VehicleId],
                        parts[c.Key],
                        c.ClaimMm,
                        c.MeasuredMm,
                        c.MeasuredUMm
                    )),
                ]
            )
        );
    }

    private static async Task<Results<Ok<TrialsPage>, ProblemHttpResult>> List(
        NokkoDb db,
        CancellationToken cancel,
        string? after = null
    )
    {
        var rows = Latest(db);
        if (after is not null)
        {
            if (
                after.Split('_') is not [var ticks, var plan, var which]
                || !long.TryParse(ticks, CultureInfo.InvariantCulture, out var t)
                || t is < 0 or > 3_155_378_975_999_999_999
                || !Guid.TryParse(plan, out var id)
                || !Enum.TryParse<Axle>(which, out var axle)
            )
            {
                return Trouble.At("after", "This is no place in the list.").Answer();
            }
            var at = new DateTimeOffset(t, TimeSpan.Zero);
            rows = rows.Where(r =>
                r.At < at
                || (
                    r.At == at
                    && (
                        r.PlanId > id
                        || (r.PlanId == id && axle == Axle.Front && r.Axle == Axle.Rear)
                    )
                )
            );
        }
        var page = await rows.Take(Page + 1).ToListAsync(cancel);
        var said = await Said(db, page.Select(t => t.VehicleId), cancel);
        return TypedResults.Ok(
            new TrialsPage(
                [.. page.Take(Page).Select(t => View(t, said))],
                page.Count > Page
                    ? $"{page[Page - 1].At.UtcTicks}_{page[Page - 1].PlanId}_{page[Page - 1].Axle}"
                    : null
            )
        );
    }

    /// <summary>Every trial; whose vehicle it was stands there only where that is chosen.</summary>
    private static PushStreamHttpResult Csv(
        NokkoDb db,
        CancellationToken cancel,
        bool plates = false
    ) =>
        TypedResults.Stream(
            body => WriteCsv(db, body, plates, cancel),
            "text/csv; charset=utf-8",
            "evidence.csv"
        );

    private static async Task WriteCsv(
        NokkoDb db,
        Stream body,
        bool plates,
        CancellationToken cancel
    )
    {
        var platforms = await db
            .Platforms.AsNoTracking()
            .ToDictionaryAsync(p => p.Id, p => p.Name, cancel);
        var said = await Said(db, null, cancel, plates);
        await using var text = new StreamWriter(body, leaveOpen: true);
        await using var csv = CsvWriter.Create(text);
        foreach (
            var head in (string[])
                [
                    "platform",
                    "vehicle",
                    "axle",
                    "parts",
                    "measured at",
                    "claim mm",
                    "predicted mm",
                    "predicted u mm",
                    "measured mm",
                    "measured u mm",
                    "added mm",
                    "free rise mm",
                    "free rise u mm",
                    "foretold ratio",
                    "teaches nothing because",
                ]
        )
        {
            csv.WriteField(head);
        }
        await csv.EndRecordAsync(cancel);
        await foreach (var t in Latest(db).AsAsyncEnumerable().WithCancellation(cancel))
        {
            csv.WriteField(CsvCell.Plain(platforms.GetValueOrDefault(t.PlatformId)));
            csv.WriteField(CsvCell.Plain(said.GetValueOrDefault(t.VehicleId)));
            csv.WriteField(t.Axle);
            csv.WriteField(CsvCell.Plain(string.Join(" + ", t.Parts)));
            csv.WriteField(t.At.ToString("O", CultureInfo.InvariantCulture));
            foreach (
                var number in (double?[])
                    [
                        t.ClaimMm,
                        t.PredictedMm,
                        t.PredictedUMm,
                        t.MeasuredMm,
                        t.MeasuredUMm,
                        t.ThicknessMm,
                        t.FreeRiseMm,
                        t.FreeRiseUMm,
                        t.ForetoldRatio,
                    ]
            )
            {
                csv.WriteField(CsvCell.Number(number));
            }
            csv.WriteField(t.WhyNot);
            await csv.EndRecordAsync(cancel);
        }
    }

    private static IQueryable<KeptTrial> Latest(NokkoDb db) =>
        db
            .Trials.AsNoTracking()
            .OrderByDescending(t => t.At)
            .ThenBy(t => t.PlanId)
            .ThenBy(t => t.Axle);

    private static TrialView View(KeptTrial t, Dictionary<Guid, string> said) =>
        new(
            t.JobId,
            t.PlanId,
            t.Axle,
            said[t.VehicleId],
            t.Family,
            t.Parts,
            t.At,
            t.ClaimMm,
            t.PredictedMm,
            t.PredictedUMm,
            t.MeasuredMm,
            t.MeasuredUMm,
            t.WhyNot
        );

    /// <summary>Every trial in the order of its readings, numbers only.</summary>
    private static async Task<List<Numbers>> AllNumbers(NokkoDb db, CancellationToken cancel)
    {
        var rows = await db
            .Trials.AsNoTracking()
            .OrderBy(t => t.At)
            .ThenBy(t => t.PlanId)
            .ThenBy(t => t.Axle)
            .Select(t => new
            {
                t.PlanId,
                t.Axle,
                t.JobId,
                t.VehicleId,
                t.PlatformId,
                t.Suspension,
                t.Family,
                t.ClaimMm,
                t.MeasuredMm,
                t.MeasuredUMm,
                t.ThicknessMm,
                t.FreeRiseMm,
                t.FreeRiseUMm,
                t.ForetoldRatio,
                t.IsNew,
            })
            .ToListAsync(cancel);
        return
        [
            .. rows.Select(t => new Numbers(
                t.PlanId,
                t.Axle,
                t.JobId,
                t.VehicleId,
                new LineKey(t.PlatformId, t.Axle, t.Suspension, t.Family),
                t.ClaimMm,
                t.MeasuredMm,
                t.MeasuredUMm,
                t is { ThicknessMm: { } mm, FreeRiseMm: { } h, FreeRiseUMm: { } u }
                    ? new LiftTrial(mm, h, u, t.ForetoldRatio!.Value, t.IsNew!.Value)
                    : null
            )),
        ];
    }

    /// <summary>What was believed of each line before any job, by its first vehicle as it was with that suspension.</summary>
    private static async Task<Dictionary<LineKey, LiftPrior>> Priors(
        NokkoDb db,
        Dictionary<LineKey, Guid> first,
        CancellationToken cancel
    )
    {
        Guid[] ids = [.. first.Values.Distinct()];
        var vehicles = await db
            .Vehicles.AsNoTracking()
            .Where(v => ids.Contains(v.Id))
            .ToDictionaryAsync(v => v.Id, cancel);
        var stages = (
            await db.Stages.AsNoTracking().Where(s => ids.Contains(s.VehicleId)).ToListAsync(cancel)
        ).ToLookup(s => s.VehicleId);
        return first.ToDictionary(
            l => l.Key,
            l =>
            {
                var stage = stages[l.Value]
                    .Where(s => s.SuspensionOf(l.Key.Axle).Kind == l.Key.Suspension)
                    .MaxBy(s => s.Ordinal)!;
                var vehicle = vehicles[l.Value] with { Front = stage.Front, Rear = stage.Rear };
                return LiftLaw.Prior(l.Key.Family, AxleState.Of(vehicle, l.Key.Axle));
            }
        );
    }

    /// <summary>Make, name and plate of vehicles by key; of all when none is named. Without plates the end of their key tells them apart.</summary>
    private static async Task<Dictionary<Guid, string>> Said(
        NokkoDb db,
        IEnumerable<Guid>? vehicles,
        CancellationToken cancel,
        bool plates = true
    )
    {
        var rows = db.Vehicles.AsNoTracking();
        if (vehicles is not null)
        {
            Guid[] ids = [.. vehicles.Distinct()];
            rows = rows.Where(v => ids.Contains(v.Id));
        }
        return await rows.Select(v => new
            {
                v.Id,
                v.Make,
                v.Name,
                v.Plate,
            })
            .ToDictionaryAsync(
                v => v.Id,
                v => $"{v.Make} {v.Name} {(plates ? v.Plate : v.Id.ToString("N")[^6..])}".TrimEnd(),
                cancel
            );
    }
}
