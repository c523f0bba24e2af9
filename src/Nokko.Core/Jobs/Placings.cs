using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>A part in its place: one that is already there by its key, a new one from the shelf, or a setting that is turned.</summary>
/// <param name="Id">Key of the placement.</param>
/// <param name="PartId">Part on the shelf.</param>
/// <param name="Raise">By how much a collar is raised; nothing comes from the shelf.</param>
/// <param name="Turns">By how many turns in all a torsion bar's adjuster is tightened, below zero slackened; nothing comes from the shelf.</param>
/// <param name="Earlier">By how many degrees both steering stops are set earlier; nothing comes from the shelf.</param>
public sealed record PlacingInput(
    Guid Id,
    Guid? PartId,
    QuantityInput? Raise = null,
    QuantityInput? Turns = null,
    QuantityInput? Earlier = null
);

/// <summary>What shall stand at one corner, in any order.</summary>
public sealed record CornerPlacingsInput(Corner Corner, IReadOnlyList<PlacingInput> Parts)
{
    /// <summary>Turns placings into stacks, from the body down.</summary>
    /// <param name="placings">Placings.</param>
    /// <param name="d">The job.</param>
    /// <param name="stage">The stage from which is planned.</param>
    /// <param name="shelf">Parts on the shelf, by key.</param>
    /// <exception cref="RefusedException">A part is not there, a corner is none, or corner or piece stands in it twice.</exception>
    public static IReadOnlyList<CornerStack> Stacks(
        IReadOnlyList<CornerPlacingsInput> placings,
        JobDocument d,
        Stage stage,
        IReadOnlyDictionary<Guid, Part> shelf
    )
    {
        if (placings.GroupBy(c => c.Corner).Any(g => g.Count() > 1))
        {
            throw Refuse.Value("stacks", "A corner stands in this plan twice.");
        }
        if (placings.SelectMany(c => c.Parts).GroupBy(p => p.Id).Any(g => g.Count() > 1))
        {
            throw Refuse.Value("stacks", "One piece cannot stand in two places.");
        }
        var placed = stage
            .Stacks.Concat(d.DraftPlans().SelectMany(p => p.Stacks))
            .SelectMany(s => s.Parts)
            .GroupBy(p => p.Id)
            .ToDictionary(g => g.Key, g => g.First());
        return
        [
            .. placings
                .Where(c => c.Parts.Count > 0)
                .Select(c => new CornerStack
                {
                    Corner = c.Corner,
                    Parts =
                    [
                        .. c
                            .Parts.Select(p => p.Place(placed, shelf))
                            .OrderBy(p => PartRule.Of(p.Kind).Order),
                    ],
                }),
        ];
    }

    /// <summary>Parts on the shelf that placings name.</summary>
    public static IEnumerable<Guid> PartsNamed(IEnumerable<CornerPlacingsInput> placings) =>
        placings.SelectMany(c => c.Parts).Select(p => p.PartId).OfType<Guid>();
}

/// <content>Placing one part.</content>
internal static class Placing
{
    public static PlacedPart Place(
        this PlacingInput placing,
        Dictionary<Guid, PlacedPart> placed,
        IReadOnlyDictionary<Guid, Part> shelf
    ) =>
        placing.Raise is { } raise ? Collar(placing.Id, raise)
        : placing.Turns is { } turns ? PlacedPart.TurnedAdjuster(placing.Id, Turned(turns))
        : placing.Earlier is { } earlier ? PlacedPart.EarlierStops(placing.Id, Earlier(earlier))
        : placed.TryGetValue(placing.Id, out var there) ? there
        : placing.PartId is { } partId && shelf.TryGetValue(partId, out var part)
            ? part.Kind != PartKind.Kit ? PlacedPart.Of(part, placing.Id)
                : throw Refuse.Value("stacks", $"{part.Name} is a kit: put it in as a whole.")
        : throw Refuse.Value(
            "stacks",
            "One of the parts is no longer on the shelf. Choose it again."
        );

    private static Quantity Turned(QuantityInput turns)
    {
        var read =
            QuantityInput.Read(turns, "turns", Unit.One, positive: false)
            ?? throw Refuse.Value("turns", "By how many turns, in all?");
        return PartSizes.WhyNot(PartSizes.Turns, read.In(Unit.One)) is { } why
                ? throw Refuse.Value("turns", why)
            : read.Value == 0
                ? throw Refuse.Value(
                    "turns",
                    "No turn is no change: take the adjuster out of the plan."
                )
            : read;
    }

    private static Quantity Earlier(QuantityInput earlier)
    {
        var read =
            QuantityInput.Read(earlier, "earlier", Unit.Degree)
            ?? throw Refuse.Value("earlier", "By how many degrees earlier?");
        return PartSizes.WhyNot(PartSizes.StopsEarlier, read.In(Unit.Degree)) is { } why
            ? throw Refuse.Value("earlier", why)
            : read;
    }

    private static PlacedPart Collar(Guid id, QuantityInput raise) =>
        new()
        {
            Id = id,
            Name = "collar",
            Kind = PartKind.RaisedCollar,
            Thickness =
                QuantityInput.Read(raise, "raise", Unit.Mm)
                ?? throw Refuse.Value("raise", "By how much is the collar raised?"),
        };
}
