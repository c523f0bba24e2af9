using System.Text.Json.Serialization;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Shelf;

/// <summary>What is in the box of a kit that lies on the shelf. What it lifts as a whole is the part's own claim.</summary>
public sealed record KitContents
{
    /// <summary>Most pieces of one box.</summary>
    public const int Most = 60;

    /// <summary>What the maker says that the kit lifts in front; null is not said.</summary>
    public Quantity? FrontClaim { get; init; }

    /// <summary>The same at the rear.</summary>
    public Quantity? RearClaim { get; init; }

    /// <summary>The pieces, each name once.</summary>
    public IReadOnlyList<BoxedPiece> Pieces { get; init; } = [];

    /// <summary>What its sheet says; null where nobody typed it.</summary>
    public KitSheet? Sheet { get; init; }
}

/// <summary>Pieces of one name in a box.</summary>
/// <param name="Name">Name as on the sheet.</param>
/// <param name="Count">How many there must be, 1 or more.</param>
/// <param name="At">Corners at which they stand, each with the same number of them; empty for bolts, sleeves and other small things.</param>
/// <param name="Part">Its figures where it stands in a stack; null for small things.</param>
public sealed record BoxedPiece(
    string Name,
    int Count,
    IReadOnlyList<Corner> At,
    PlacedPart? Part = null
);

/// <summary>What a kit's sheet says, as the shop typed it, a line each.</summary>
/// <param name="Source">Which sheet: print, page, day.</param>
/// <param name="Steps">Steps that are its own.</param>
/// <param name="Torques">Torques that it names.</param>
/// <param name="Warnings">What it warns of.</param>
public sealed record KitSheet(string Source, string? Steps, string? Torques, string? Warnings);

/// <summary>A kit in a job: the box as it came, and what became of each piece.</summary>
public sealed record Kit : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The plan in which it is.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>The kit on the shelf.</summary>
    public Guid? PartId { get; init; }

    /// <summary>Part number.</summary>
    public string? Number { get; init; }

    /// <summary>Name on the box.</summary>
    public required string Name { get; init; }

    /// <summary>What the maker says the kit lifts as a whole.</summary>
    public Quantity? Claim { get; init; }

    /// <summary>What the maker says the kit lifts in front.</summary>
    public Quantity? FrontClaim { get; init; }

    /// <summary>What the maker says the kit lifts at the rear.</summary>
    public Quantity? RearClaim { get; init; }

    /// <summary>Price of the box.</summary>
    public decimal? Price { get; init; }

    /// <summary>Currency of the price, ISO 4217.</summary>
    public string? Currency { get; init; }

    /// <summary>Hours to fit it.</summary>
    public Quantity? Hours { get; init; }

    /// <summary>For which vehicles it is; null when nobody noted it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public PartFit? Fit { get; init; }

    /// <summary>What its sheet says.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public KitSheet? Sheet { get; init; }

    /// <summary>Pieces with their ends.</summary>
    public IReadOnlyList<KitPiece> Pieces { get; init; } = [];

    /// <summary>It as a part: how it fits is asked as of any other.</summary>
    public PlacedPart AsPart() =>
        new()
        {
            Id = Id,
            PartId = PartId,
            Number = Number,
            Name = Name,
            Kind = PartKind.Kit,
            Fit = Fit,
        };

    /// <summary>What stands in the way of fitting it, the first thing first; null where nothing does.</summary>
    /// <remarks>Source: docs/computation/fits.md#kits.</remarks>
    /// <param name="stacks">Stacks of its plan.</param>
    public string? WhyNotBegun(IReadOnlyList<CornerStack> stacks)
    {
        var wanted = Pieces.Where(p => p.End != KitPieceEnd.LeftOut).ToArray();
        var uncounted = wanted.Where(p => p.Found is null).ToArray();
        if (uncounted.Length > 0)
        {
            return $"{Name}: count what is in the box. {Listed(uncounted)} {(uncounted.Length == 1 ? "is" : "are")} not counted.";
        }
        var missing = wanted.Where(p => p.Missing > 0).ToArray();
        if (missing.Length > 0)
        {
            return $"{Name}: {string.Join(", ", missing.Select(p => $"{p.Missing} of {p.Count} {p.Name}"))} {(missing.Sum(p => p.Missing) == 1 ? "is" : "are")} missing. Get what is missing before it goes up, or leave it out and say why.";
        }
        var placed = stacks.SelectMany(s => s.Parts).Select(p => p.Id).ToHashSet();
        return
            wanted.FirstOrDefault(p =>
                p.Stacks.SelectMany(s => s.Parts).Any(part => !placed.Contains(part.Id))
            )
                is { } off
            ? $"{Name}: {off.Name} stands nowhere in the plan, or not all of it. Place it, or leave it out and say why."
            : null;
    }

    private static string Listed(KitPiece[] pieces) =>
        pieces.Length > 4
            ? $"{pieces.Length} pieces"
            : string.Join(", ", pieces.Select(p => $"{p.Count} {p.Name}"));
}

/// <summary>How a piece of a kit ended.</summary>
public enum KitPieceEnd
{
    /// <summary>Not decided.</summary>
    Open,

    /// <summary>Fitted.</summary>
    Used,

    /// <summary>Left out on purpose.</summary>
    LeftOut,

    /// <summary>Not in the box, or not all of it.</summary>
    Missing,
}

/// <summary>A piece of a kit.</summary>
public sealed record KitPiece
{
    /// <summary>Name as on the sheet.</summary>
    public required string Name { get; init; }

    /// <summary>How many there must be.</summary>
    public required int Count { get; init; }

    /// <summary>How many were in the box; null where nobody counted.</summary>
    public int? Found { get; init; }

    /// <summary>How it ended.</summary>
    public required KitPieceEnd End { get; init; }

    /// <summary>Why it was left out.</summary>
    public string? Why { get; init; }

    /// <summary>Where it stands in the plan unless it is left out; empty for bolts, sleeves and other small things.</summary>
    public IReadOnlyList<CornerStack> Stacks { get; init; } = [];

    /// <summary>How many are not there; 0 where nobody counted.</summary>
    [JsonIgnore]
    public int Missing => Math.Max(0, Count - (Found ?? Count));
}
