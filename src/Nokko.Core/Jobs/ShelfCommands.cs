using System.Text.Json.Serialization;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>A size of a part as typed.</summary>
public sealed record PartSizeInput(string Name, QuantityInput? Value);

/// <summary>Keeps a part of the shelf: a new one without a version, else the one that was seen.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of what is made or meant.</param>
/// <param name="Version">Version of the row as it was seen.</param>
/// <param name="Number">Its number; null where it has none.</param>
/// <param name="Name">Name.</param>
/// <param name="Part">What kind of part.</param>
/// <param name="Thickness">Thickness.</param>
/// <param name="Claim">What the maker claims.</param>
/// <param name="Count">How many lie on the shelf.</param>
/// <param name="Price">Price of one.</param>
/// <param name="Currency">Its currency.</param>
/// <param name="Notes">Notes.</param>
/// <param name="Extension">Extension of studs or strut.</param>
/// <param name="Sizes">Sizes as typed.</param>
/// <param name="Leaves">Its leaves.</param>
/// <param name="Hours">Hours of fitting it.</param>
/// <param name="Limits">What it does not fit.</param>
/// <param name="MadeFor">Engine, load and trim for which a spring's lift is stated.</param>
/// <param name="Fit">For which vehicles it is.</param>
/// <param name="Supplier">From whom it comes.</param>
/// <param name="DueOn">When what is ordered of it comes.</param>
/// <param name="Contents">What is in the box, of a kit.</param>
public sealed record SavePart(
    Guid CommandId,
    Guid Id,
    uint? Version,
    string? Number,
    string Name,
    PartKind Part,
    QuantityInput? Thickness,
    QuantityInput? Claim,
    int Count,
    decimal? Price,
    string? Currency,
    string? Notes,
    QuantityInput? Extension = null,
    IReadOnlyList<PartSizeInput>? Sizes = null,
    IReadOnlyList<Leaf>? Leaves = null,
    QuantityInput? Hours = null,
    string? Limits = null,
    string? MadeFor = null,
    PartFit? Fit = null,
    string? Supplier = null,
    DateOnly? DueOn = null,
    KitInput? Contents = null
) : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "part kept";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var part = Read();
        if (shop.Part is not { } now)
        {
            return [new RowChange.Added(part)];
        }
        ShelfRules.Seen(now, Version, context);
        return [new RowChange.Replaced(now, part with { BinnedAt = now.BinnedAt })];
    }

    /// <summary>Reads a part as typed.</summary>
    /// <exception cref="RefusedException">Something that was typed cannot be taken.</exception>
    public Part Read()
    {
        if (Count is < 0 or > 100_000)
        {
            throw Refuse.Value("count", "Count the pieces: 0 or more.");
        }
        if (Price is < 0 or > 1_000_000)
        {
            throw Refuse.Value("price", "That is no price of one piece.");
        }
        var rule = PartRule.Of(Part);
        var sizes = new Dictionary<string, Quantity>();
        foreach (var (name, value) in Sizes ?? [])
        {
            if (!rule.Sizes.Contains(name))
            {
                throw Refuse.Value("sizes", $"A {rule.Said} has no size “{name}”.");
            }
            var size = PartSizes.Find(name)!;
            if (QuantityInput.Read(value, name, size.Unit, positive: false) is { } read)
            {
                if (PartSizes.WhyNot(name, read.In(size.Unit)) is { } why)
                {
                    throw Refuse.Value(name, why);
                }
                sizes[name] = read;
            }
        }
        var leaves = Leaves ?? [];
        if (leaves.Count > 0)
        {
            if (Part != PartKind.LeafPack)
            {
                throw Refuse.Value("leaves", $"A {rule.Said} has no leaves.");
            }
            if (
                LeafPackBuild.WhyNot(
                    leaves,
                    sizes.GetValueOrDefault(PartSizes.ClampLength)?.In(Unit.Mm) ?? 0
                ) is
                { } why
            )
            {
                throw Refuse.Value("leaves", why);
            }
        }
        if (rule.Amount is null && !string.IsNullOrWhiteSpace(Thickness?.Typed))
        {
            throw Refuse.Value(
                "thickness",
                $"A {rule.Said} has no thickness that lifts: is it the claim, or one of its other sizes?"
            );
        }
        return new Part
        {
            Id = Id,
            Number = TypedText.Line(Number, "number") ?? "",
            Name = TypedText.Needed(Name, "name", "What is it called?"),
            Kind = Part,
            Thickness = QuantityInput.Read(
                Thickness,
                "thickness",
                Unit.Mm,
                positive: !rule.AmountMayBeBelowZero
            ),
            Claim = QuantityInput.Read(Claim, "claim", Unit.Mm),
            Extension = QuantityInput.Read(Extension, "extension", Unit.Mm),
            Dimensions = sizes,
            Leaves = leaves,
            Count = Count,
            Price = Price,
            Currency = ReadCurrency(),
            Hours = QuantityInput.Read(Hours, "hours", Unit.Hour),
            Limits = TypedText.Lines(Limits, "limits"),
            MadeFor = ReadMadeFor(rule),
            Fit = ReadFit(),
            Supplier = TypedText.Line(Supplier, "supplier"),
            DueOn = DueOn,
            Contents = ReadContents(rule),
            Notes = TypedText.Lines(Notes, "notes"),
        };
    }

    private KitContents? ReadContents(PartRule rule) =>
        Contents is not { } kit ? null
        : rule.Kind == PartKind.Kit ? kit.Read()
        : throw Refuse.Value("contents", $"A {rule.Said} is no box: choose a kit.");

    private PartFit? ReadFit()
    {
        if (
            Fit is not { } fit
            || fit is { AnyPlatform: false, Platforms: [], NotPlatforms: [], Rules: [] }
        )
        {
            return null;
        }
        if (
            fit.Platforms.Count + fit.NotPlatforms.Count > PartFit.Most
            || fit.Rules.Count > PartFit.Most
        )
        {
            throw Refuse.Value("fit", $"At most {PartFit.Most} platforms, and as many conditions.");
        }
        if (fit.Platforms.Any(p => p is null) || fit.Rules.Any(r => r is null))
        {
            throw Refuse.Value("fit", "There is a place with nothing in it.");
        }
        var trimmed = fit.Trimmed();
        var read = trimmed with { Rules = [.. trimmed.Rules.Select(ReadRule)] };
        return read.WhyNever(Part) is { } why ? throw Refuse.Value("fit", why) : read;
    }

    /// <summary>What was typed of a bore is read as a tape is: it may be a fraction.</summary>
    private static FitRule ReadRule(FitRule rule) =>
        rule is FitRule.MustMeet { Mate: { Size: { Typed: { } typed } size } mate } meets
            ? meets with
            {
                Mate = mate with
                {
                    Size = QuantityInput.Read(
                        new QuantityInput(typed, size.Unit, size.Known, ["asTyped", "decimal"]),
                        "fit",
                        Unit.Mm
                    ),
                },
            }
            : rule;

    private string? ReadMadeFor(PartRule rule) =>
        TypedText.Line(MadeFor, "madeFor") switch
        {
            null => null,
            _ when !rule.Sizes.Contains(PartSizes.DesignLift) => throw Refuse.Value(
                "madeFor",
                $"A {rule.Said} is not made for a load."
            ),
            var made => made,
        };

    private string? ReadCurrency() =>
        TypedText.Blank(Currency)?.ToUpperInvariant() switch
        {
            null => null,
            { Length: 3 } code when code.All(char.IsAsciiLetterUpper) => code,
            _ => throw Refuse.Value("currency", "Write the currency with its three letters."),
        };
}

/// <summary>Takes a part off the shelf; stacks keep their own copy of it, and it can be put back for 90 days.</summary>
public sealed record BinPart(Guid CommandId, Guid Id) : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "part taken off the shelf";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var part = ShelfRules.There(shop);
        return [new RowChange.Replaced(part, part with { BinnedAt = context.Now })];
    }
}

/// <summary>Puts a part back on the shelf.</summary>
public sealed record PutPartBack(Guid CommandId, Guid Id) : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "part put back on the shelf";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var part = ShelfRules.There(shop);
        return [new RowChange.Replaced(part, part with { BinnedAt = null })];
    }
}

/// <summary>Adds a platform to the shop's list; one of the same name is that platform.</summary>
public sealed record SavePlatform(Guid CommandId, Guid Id, string Name) : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "platform kept";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var name = TypedText.Needed(Name, "name", "Name the platform.");
        return shop.Platforms.Any(p => p.Name == name)
            ? []
            : [new RowChange.Added(new Platform { Id = Id, Name = name })];
    }
}

/// <summary>Adds a value to a platform's list of variants; one that is there already is that one.</summary>
public sealed record AddVariant(Guid CommandId, Guid PlatformId, VariantAspect Aspect, string Value)
    : ShopCommand(CommandId)
{
    /// <summary>Most values of one list.</summary>
    public const int Most = 60;

    /// <inheritdoc/>
    public override string Does() => "variant noted";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var platform = ShelfRules.Named(shop, PlatformId);
        var value = TypedText.Needed(Value, "value", $"Which {Aspect.Said()}?");
        var here = platform.ValuesOf(Aspect);
        return here.Any(v => Variant.Same(v, value)) ? []
            : here.Count >= Most
                ? throw Refuse.Value("value", $"At most {Most}: drop one that is not used.")
            : [new RowChange.Replaced(platform, platform.With(Aspect, [.. here, value]))];
    }
}

/// <summary>Takes a value off a platform's list; vehicles that have it keep it.</summary>
public sealed record DropVariant(
    Guid CommandId,
    Guid PlatformId,
    VariantAspect Aspect,
    string Value
) : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "variant dropped";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var platform = ShelfRules.Named(shop, PlatformId);
        string[] left = [.. platform.ValuesOf(Aspect).Where(v => !Variant.Same(v, Value))];
        return left.Length == platform.ValuesOf(Aspect).Count
            ? []
            : [new RowChange.Replaced(platform, platform.With(Aspect, left))];
    }
}

/// <summary>What the commands on the shelf have in common.</summary>
internal static class ShelfRules
{
    /// <summary>The platform that is named.</summary>
    public static Platform Named(ShopState shop, Guid id) =>
        shop.Platforms.FirstOrDefault(p => p.Id == id)
        ?? throw Refuse.Gone("There is no such platform on the shop's list.");

    /// <summary>The part that is named.</summary>
    public static Part There(ShopState shop) =>
        shop.Part ?? throw Refuse.Gone("There is no such part on the shelf.");

    /// <summary>Refuses an edit of a part that somebody else changed.</summary>
    public static void Seen(Part part, uint? seen, DecisionContext context)
    {
        if (context.Versions.TryGetValue(part.Id, out var now) && now != seen)
        {
            throw Refuse.Conflict(
                "version",
                "Somebody else changed this part meanwhile. Look at both and choose.",
                part.Id,
                part
            );
        }
    }
}
