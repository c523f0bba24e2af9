using System.Globalization;
using CsvHelper;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Evidence;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.Evidence;

/// <summary>What the shop's own jobs have proved.</summary>
internal static class EvidenceEndpoints
{
    /// <summary>Every trial with the lines that they make.</summary>
    /// <param name="Lines">Lift lines, those with most jobs first.</param>
    /// <param name="Trials">Trials, the latest first; those too that teach nothing, with the reason.</param>
    /// <param name="Platforms">Names of platforms by their ids.</param>
    internal sealed record EvidenceView(
        IReadOnlyList<EvidenceLine> Lines,
        IReadOnlyList<JobTrial> Trials,
        IReadOnlyDictionary<Guid, string> Platforms
    );

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/evidence", Show);
        api.MapGet("/evidence.csv", Csv).Produces<string>(StatusCodes.Status200OK, "text/csv");
    }

    private static async Task<Ok<EvidenceView>> Show(NokkoDb db, CancellationToken cancel)
    {
        var trials = await Trials(db, cancel);
        var ids = trials.Select(t => t.VehicleId).Distinct().ToArray();
        var vehicles = await db
            .Vehicles.AsNoTracking()
            .Where(v => ids.Contains(v.Id))
            .ToDictionaryAsync(v => v.Id, cancel);
        var stages = (
            await db.Stages.AsNoTracking().Where(s => ids.Contains(s.VehicleId)).ToListAsync(cancel)
        ).ToLookup(s => s.VehicleId);
        return TypedResults.Ok(
            new EvidenceView(
                ShopEvidence.Lines(trials, id => At(vehicles[id])),
                trials,
                await db.Platforms.AsNoTracking().ToDictionaryAsync(p => p.Id, p => p.Name, cancel)
            )
        );

        Vehicle At(Vehicle vehicle) =>
            stages[vehicle.Id].MaxBy(s => s.Ordinal) is { } now
                ? vehicle with
                {
                    Front = now.Front,
                    Rear = now.Rear,
                }
                : vehicle;
    }

    private static async Task<FileContentHttpResult> Csv(NokkoDb db, CancellationToken cancel)
    {
        var platforms = await db
            .Platforms.AsNoTracking()
            .ToDictionaryAsync(p => p.Id, p => p.Name, cancel);
        await using var text = new StringWriter(CultureInfo.InvariantCulture);
        await using (var csv = CsvWriter.Create(text))
        {
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
                        "teaches nothing because",
                    ]
            )
            {
                csv.WriteField(head);
            }
            await csv.EndRecordAsync(cancel);
            foreach (var t in await Trials(db, cancel))
            {
                csv.WriteField(CsvCell.Plain(platforms.GetValueOrDefault(t.PlatformId)));
                csv.WriteField(CsvCell.Plain(t.Said));
                csv.WriteField(t.Axle);
                csv.WriteField(CsvCell.Plain(string.Join(" + ", t.Parts)));
                csv.WriteField(t.At.ToString("O", CultureInfo.InvariantCulture));
                csv.WriteField(CsvCell.Number(t.Claim.Value));
                Both(t.Predicted);
                Both(t.Measured);
                csv.WriteField(CsvCell.Number(t.Trial?.ThicknessMm));
                csv.WriteField(CsvCell.Number(t.Trial?.FreeRiseMm));
                csv.WriteField(CsvCell.Number(t.Trial?.FreeRiseUMm));
                csv.WriteField(t.WhyNot);
                await csv.EndRecordAsync(cancel);

                void Both(Result r)
                {
                    csv.WriteField(CsvCell.Number(r.Value));
                    csv.WriteField(CsvCell.Number(r.U));
                }
            }
        }
        return TypedResults.File(
            System.Text.Encoding.UTF8.GetBytes(text.ToString()),
            "text/csv; charset=utf-8",
            "evidence.csv"
        );
    }

    private static async Task<JobTrial[]> Trials(NokkoDb db, CancellationToken cancel) =>
        [
            .. ShopEvidence
                .Once(
                    (
                        await db
                            .Evidence.AsNoTracking()
                            .OrderBy(e => e.Id)
                            .Select(e => e.Trials)
                            .ToListAsync(cancel)
                    ).SelectMany(t => t)
                )
                .OrderByDescending(t => t.At)
                .ThenBy(t => t.PlanId)
                .ThenBy(t => t.Axle),
        ];
}
