using System.Text.Json.Serialization;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Shelf;

/// <summary>A part on the shelf. Thickness, claimed lift and extension are different numbers, and each may be unknown.</summary>
public sealed record Part : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Part number.</summary>
    public required string Number { get; init; }

    /// <summary>Name as said.</summary>
    public required string Name { get; init; }

    /// <summary>What it does.</summary>
    public required PartKind Kind { get; init; }

    /// <summary>Its own size: thickness between its faces, or what <see cref="PartRule.Amount"/> of its kind says.</summary>
    public Quantity? Thickness { get; init; }

    /// <summary>What the maker says it lifts.</summary>
    public Quantity? Claim { get; init; }

    /// <summary>How far studs or strut get longer.</summary>
    public Quantity? Extension { get; init; }

    /// <summary>Further sizes by their names in <see cref="PartSizes"/>.</summary>
    public IReadOnlyDictionary<string, Quantity> Dimensions { get; init; } =
        new Dictionary<string, Quantity>();

    /// <summary>Leaves of a leaf pack, the main leaf first.</summary>
    public IReadOnlyList<Leaf> Leaves { get; init; } = [];

    /// <summary>Pieces at hand.</summary>
    public required int Count { get; init; }

    /// <summary>Price of one piece.</summary>
    public decimal? Price { get; init; }

    /// <summary>Currency of the price, ISO 4217.</summary>
    public string? Currency { get; init; }

    /// <summary>From whom it comes, as said.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Supplier { get; init; }

    /// <summary>When what is ordered of it comes; null where nothing is ordered, or nobody knows.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public DateOnly? DueOn { get; init; }

    /// <summary>Hours to fit one piece.</summary>
    public Quantity? Hours { get; init; }

    /// <summary>What its maker forbids or bounds, in the maker's words.</summary>
    public string? Limits { get; init; }

    /// <summary>Engine, load and trim of the vehicle for which its maker states a spring's lift; null when nobody noted it.</summary>
    public string? MadeFor { get; init; }

    /// <summary>For which vehicles it is; null when nobody noted it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public PartFit? Fit { get; init; }

    /// <summary>What is in the box, of a kit; null of every other part, and of a kit that nobody opened.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public KitContents? Contents { get; init; }

    /// <summary>Notes.</summary>
    public string? Notes { get; init; }

    /// <summary>When it was taken off the shelf; it can be put back for 90 days.</summary>
    public DateTimeOffset? BinnedAt { get; init; }
}

/// <summary>A part as it was when it was placed; later corrections of the shelf do not change it.</summary>
public sealed record PlacedPart
{
    /// <summary>Key of the placement.</summary>
    public required Guid Id { get; init; }

    /// <summary>The part on the shelf, when it came from there.</summary>
    public Guid? PartId { get; init; }

    /// <summary>The kit out of whose box it comes; null where it comes by itself.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Guid? KitId { get; init; }

    /// <summary>Part number.</summary>
    public string? Number { get; init; }

    /// <summary>Name as said.</summary>
    public required string Name { get; init; }

    /// <summary>What it does.</summary>
    public required PartKind Kind { get; init; }

    /// <summary>Its own size: thickness between its faces, or what <see cref="PartRule.Amount"/> of its kind says.</summary>
    public Quantity? Thickness { get; init; }

    /// <summary>What the maker says it lifts.</summary>
    public Quantity? Claim { get; init; }

    /// <summary>How far studs or strut get longer.</summary>
    public Quantity? Extension { get; init; }

    /// <summary>Further sizes by their names in <see cref="PartSizes"/>.</summary>
    public IReadOnlyDictionary<string, Quantity> Dimensions { get; init; } =
        new Dictionary<string, Quantity>();

    /// <summary>Leaves of a leaf pack, the main leaf first.</summary>
    public IReadOnlyList<Leaf> Leaves { get; init; } = [];

    /// <summary>Price of one piece.</summary>
    public decimal? Price { get; init; }

    /// <summary>Currency of the price, ISO 4217.</summary>
    public string? Currency { get; init; }

    /// <summary>Hours for a piece of which nobody entered any: a rule of thumb.</summary>
    private const double GuessedHours = 1;

    /// <summary>Hours that the piece takes, guessed where nobody entered any.</summary>
    public double WorkHours() => Hours?.In(Unit.Hour) ?? GuessedHours;

    /// <summary>Hours to fit one piece.</summary>
    public Quantity? Hours { get; init; }

    /// <summary>What its maker forbids or bounds, in the maker's words.</summary>
    public string? Limits { get; init; }

    /// <summary>Engine, load and trim of the vehicle for which its maker states a spring's lift; null when nobody noted it.</summary>
    public string? MadeFor { get; init; }

    /// <summary>For which vehicles it is; null when nobody noted it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public PartFit? Fit { get; init; }

    /// <summary>A further size in the unit of <see cref="PartSizes"/>, or null.</summary>
    public double? Get(string name) =>
        Dimensions.TryGetValue(name, out var q) ? q.In(PartSizes.Find(name)!.Unit) : null;

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
            Dimensions = part.Dimensions,
            Leaves = part.Leaves,
            Price = part.Price,
            Currency = part.Currency,
            Hours = part.Hours,
            Limits = part.Limits,
            MadeFor = part.MadeFor,
            Fit = part.Fit,
        };

    /// <summary>A torsion bar's adjuster at a setting.</summary>
    /// <param name="id">Key of the placement.</param>
    /// <param name="turns">Turns in all from where nobody turned it, tightening above zero.</param>
    public static PlacedPart TurnedAdjuster(Guid id, Quantity turns) =>
        new()
        {
            Id = id,
            Name = FormattableString.Invariant(
                $"adjuster, {turns.In(Unit.One):0.##} {(Math.Abs(turns.In(Unit.One)) == 1 ? "turn" : "turns")}{(turns.Value < 0 ? " (slackened)" : "")}"
            ),
            Kind = PartKind.TorsionAdjuster,
            Dimensions = new Dictionary<string, Quantity> { [PartSizes.Turns] = turns },
        };

    /// <summary>Steering stops at a setting.</summary>
    /// <param name="id">Key of the placement.</param>
    /// <param name="earlier">By how much less both wheels turn than they did untouched, ° above zero.</param>
    public static PlacedPart EarlierStops(Guid id, Quantity earlier) =>
        new()
        {
            Id = id,
            Name = FormattableString.Invariant(
                $"steering stops, {earlier.In(Unit.Degree):0.#}° earlier"
            ),
            Kind = PartKind.SteeringStops,
            Dimensions = new Dictionary<string, Quantity> { [PartSizes.StopsEarlier] = earlier },
        };
}

/// <summary>What is fitted between body and wheel at one corner.</summary>
public sealed record CornerStack
{
    /// <summary>LF, RF, LR or RR.</summary>
    public required Corner Corner { get; init; }

    /// <summary>Parts from the body down.</summary>
    public required IReadOnlyList<PlacedPart> Parts { get; init; }

    /// <summary>What stands at a corner; nothing where it is not listed.</summary>
    /// <param name="stacks">Stacks of a vehicle.</param>
    /// <param name="corner">LF, RF, LR or RR.</param>
    public static IReadOnlyList<PlacedPart> At(IReadOnlyList<CornerStack> stacks, Corner corner) =>
        stacks.FirstOrDefault(s => s.Corner == corner)?.Parts ?? [];

    /// <summary>What stands at a corner once pieces came to it: what stands alone comes instead of what stood there.</summary>
    /// <param name="there">What stands there.</param>
    /// <param name="come">What comes.</param>
    public static IReadOnlyList<PlacedPart> Joined(
        IEnumerable<PlacedPart> there,
        IReadOnlyList<PlacedPart> come
    ) =>
        [
            .. there.Where(p => !PartRule.Of(p.Kind).Alone || come.All(n => n.Kind != p.Kind)),
            .. come,
        ];

    /// <summary>What leaves a corner and what comes to it: a piece that moves leaves one corner and comes to another.</summary>
    /// <param name="corner">LF, RF, LR or RR.</param>
    /// <param name="from">Stacks that stand.</param>
    /// <param name="to">Stacks that shall stand.</param>
    public static (IReadOnlyList<PlacedPart> Gone, IReadOnlyList<PlacedPart> Come) Change(
        Corner corner,
        IReadOnlyList<CornerStack> from,
        IReadOnlyList<CornerStack> to
    )
    {
        var (old, next) = (At(from, corner), At(to, corner));
        return (
            [.. old.ExceptBy(next.Select(p => p.Id), p => p.Id)],
            [.. next.ExceptBy(old.Select(p => p.Id), p => p.Id)]
        );
    }
}
