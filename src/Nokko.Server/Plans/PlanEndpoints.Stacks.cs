using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.Plans;

/// <content>Turns placings into stacks.</content>
internal static partial class PlanEndpoints
{
    private static async Task<List<CornerStack>> Stacks(
        NokkoDb db,
        JobDocument d,
        Stage stage,
        IReadOnlyList<CornerPlacings> placings,
        CancellationToken cancel
    )
    {
        var placed = stage
            .Stacks.Concat(d.DraftPlans().SelectMany(p => p.Stacks))
            .SelectMany(s => s.Parts)
            .GroupBy(p => p.Id)
            .ToDictionary(g => g.Key, g => g.First());
        var wanted = placings
            .SelectMany(c => c.Parts)
            .Select(p => p.PartId)
            .OfType<Guid>()
            .Distinct()
            .ToArray();
        var shelf = await db
            .Parts.AsNoTracking()
            .Where(p => wanted.Contains(p.Id))
            .ToDictionaryAsync(p => p.Id, cancel);
        if (placings.FirstOrDefault(c => !Corners.All.Contains(c.Corner)) is { } nowhere)
        {
            throw new TroubleException(
                Trouble.At("stacks", $"“{nowhere.Corner}” is no corner: LF, RF, LR or RR.")
            );
        }
        return
        [
            .. placings
                .Where(c => c.Parts.Count > 0)
                .Select(c => new CornerStack
                {
                    Corner = c.Corner,
                    // From the body down, as it goes together.
                    Parts = [.. c.Parts.Select(Copy).OrderBy(p => PartRule.Of(p.Kind).Order)],
                }),
        ];

        static PlacedPart Collar(Guid id, QuantityInput raise) =>
            new()
            {
                Id = id,
                Name = "collar",
                Kind = PartKind.RaisedCollar,
                Thickness =
                    QuantityInput.Read(raise, "raise", "mm")
                    ?? throw new TroubleException(
                        Trouble.At("raise", "By how much is the collar raised?")
                    ),
            };

        PlacedPart Copy(Placing placing) =>
            placing.Raise is { } raise ? Collar(placing.Id, raise)
            : placed.TryGetValue(placing.Id, out var there) ? there
            : placing.PartId is { } partId && shelf.TryGetValue(partId, out var part)
                ? PlacedPart.Of(part, placing.Id)
            : throw new TroubleException(
                Trouble.At("stacks", "One of the parts is no longer on the shelf. Choose it again.")
            );
    }
}
