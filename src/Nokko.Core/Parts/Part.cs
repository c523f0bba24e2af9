using Nokko.Core.Units;

namespace Nokko.Core.Parts;

/// <summary>What a part does in a stack.</summary>
public enum PartKind
{
    /// <summary>A plate between a strut and the body.</summary>
    StrutTopSpacer,

    /// <summary>A block between leaf spring and axle.</summary>
    Block,

    /// <summary>Fitted, but nobody knows what it is.</summary>
    Unknown,
}

/// <summary>A part on the shelf. Thickness, claimed lift and extension are different numbers, and each may be unknown.</summary>
public sealed record Part
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Part number.</summary>
    public required string Number { get; init; }

    /// <summary>Name as said.</summary>
    public required string Name { get; init; }

    /// <summary>What it does.</summary>
    public required PartKind Kind { get; init; }

    /// <summary>Thickness between its faces.</summary>
    public Quantity? Thickness { get; init; }

    /// <summary>What the maker says it lifts.</summary>
    public Quantity? Claim { get; init; }

    /// <summary>How far studs or strut get longer.</summary>
    public Quantity? Extension { get; init; }

    /// <summary>Pieces at hand.</summary>
    public required int Count { get; init; }

    /// <summary>Price of one piece.</summary>
    public decimal? Price { get; init; }

    /// <summary>Currency of the price, ISO 4217.</summary>
    public string? Currency { get; init; }

    /// <summary>Notes.</summary>
    public string? Notes { get; init; }
}

/// <summary>A part as it was when it was placed; later corrections of the shelf do not change it.</summary>
public sealed record PlacedPart
{
    /// <summary>Key of the placement.</summary>
    public required Guid Id { get; init; }

    /// <summary>The part on the shelf, when it came from there.</summary>
    public Guid? PartId { get; init; }

    /// <summary>Part number.</summary>
    public string? Number { get; init; }

    /// <summary>Name as said.</summary>
    public required string Name { get; init; }

    /// <summary>What it does.</summary>
    public required PartKind Kind { get; init; }

    /// <summary>Thickness between its faces.</summary>
    public Quantity? Thickness { get; init; }

    /// <summary>What the maker says it lifts.</summary>
    public Quantity? Claim { get; init; }

    /// <summary>How far studs or strut get longer.</summary>
    public Quantity? Extension { get; init; }

    /// <summary>Copies a part's figures at this moment.</summary>
    /// <param name="part">The part on the shelf.</param>
    /// <param name="id">Key of the placement.</param>
    public static PlacedPart Of(Part part, Guid id) =>
        new()
        {
            Id = id,
            PartId = part.Id,
            Number = part.Number,
            Name = part.Name,
            Kind = part.Kind,
            Thickness = part.Thickness,
            Claim = part.Claim,
            Extension = part.Extension,
        };
}

/// <summary>What is fitted between body and wheel at one corner.</summary>
public sealed record CornerStack
{
    /// <summary>LF, RF, LR or RR.</summary>
    public required string Corner { get; init; }

    /// <summary>Parts from the body down.</summary>
    public required IReadOnlyList<PlacedPart> Parts { get; init; }
}

/// <summary>A boxed set of parts.</summary>
public sealed record Kit
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Name on the box.</summary>
    public required string Name { get; init; }

    /// <summary>What the maker says the kit lifts in front.</summary>
    public Quantity? FrontClaim { get; init; }

    /// <summary>What the maker says the kit lifts at the rear.</summary>
    public Quantity? RearClaim { get; init; }

    /// <summary>Pieces with their ends.</summary>
    public IReadOnlyList<KitPiece> Pieces { get; init; } = [];

    /// <summary>Why it was fitted although the maker says that it does not fit.</summary>
    public string? OverrideReason { get; init; }
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

    /// <summary>Not in the box.</summary>
    Missing,
}

/// <summary>A piece of a kit.</summary>
public sealed record KitPiece
{
    /// <summary>Name as on the sheet.</summary>
    public required string Name { get; init; }

    /// <summary>Pieces counted.</summary>
    public required int Count { get; init; }

    /// <summary>How it ended.</summary>
    public required KitPieceEnd End { get; init; }

    /// <summary>Why it was left out.</summary>
    public string? Why { get; init; }
}
