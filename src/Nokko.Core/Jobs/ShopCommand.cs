using System.Text.Json.Serialization;
using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>A vehicle that the shop knows from an earlier job.</summary>
/// <param name="Vehicle">The vehicle.</param>
/// <param name="Stages">Its stages.</param>
/// <param name="OpenJob">A job of it that is not handed over; null when there is none.</param>
public sealed record KnownVehicle(Vehicle Vehicle, IReadOnlyList<Stage> Stages, Guid? OpenJob);

/// <summary>What a shop has of the things that a command names.</summary>
public sealed record ShopState
{
    /// <summary>Owners of the name that is given.</summary>
    public IReadOnlyList<Owner> Owners { get; init; } = [];

    /// <summary>Platforms of the key or the name that is given.</summary>
    public IReadOnlyList<Platform> Platforms { get; init; } = [];

    /// <summary>The part that is named.</summary>
    public Part? Part { get; init; }

    /// <summary>The vehicle that is named.</summary>
    public KnownVehicle? Vehicle { get; init; }
}

/// <summary>One thing that a person does in the shop outside a job, and the one that opens a job. The hierarchy is closed.</summary>
/// <param name="CommandId">Key, made by the client; repeating it changes nothing.</param>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(TakeIn), "takeIn")]
[JsonDerivedType(typeof(SavePart), "savePart")]
[JsonDerivedType(typeof(BinPart), "binPart")]
[JsonDerivedType(typeof(PutPartBack), "putPartBack")]
[JsonDerivedType(typeof(SavePlatform), "savePlatform")]
public abstract record ShopCommand(Guid CommandId)
{
    /// <summary>What is done, in a few words for the history.</summary>
    public abstract string Does();

    /// <summary>Decides it. Pure.</summary>
    /// <param name="shop">What the shop has of the things that it names.</param>
    /// <param name="context">What it may know beside.</param>
    public Decision On(ShopState shop, DecisionContext context)
    {
        try
        {
            return new Decision.Made(
                new HistoryEntry
                {
                    Id = CommandId,
                    Kind = Does(),
                    PersonId = context.PersonId,
                    At = context.Now,
                },
                [.. Decide(shop, context)]
            );
        }
        catch (RefusedException e)
        {
            return new Decision.Refused(e.Refusal);
        }
    }

    /// <summary>The changes.</summary>
    /// <exception cref="RefusedException">It cannot be done.</exception>
    private protected abstract IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    );
}

/// <summary>Something that is fitted when the vehicle comes.</summary>
public sealed record FittedInput(
    Guid Id,
    string Corner,
    string Name,
    PartKind Kind,
    QuantityInput? Thickness,
    QuantityInput? Claim
);

/// <summary>Takes in a vehicle and opens its job. A vehicle that is known goes on in its own chain of stages.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="JobId">Key of the job.</param>
/// <param name="VehicleId">Key of the vehicle.</param>
/// <param name="StageId">Key of the stage in which it came; of a known vehicle only where something was fitted meanwhile.</param>
/// <param name="OwnerId">Key of the owner, should the name be new.</param>
/// <param name="OwnerName">Name of the owner.</param>
/// <param name="OwnerContact">How to reach the owner.</param>
/// <param name="PlatformId">The platform.</param>
/// <param name="Make">Make.</param>
/// <param name="Name">Name.</param>
/// <param name="Plate">Plate.</param>
/// <param name="Vin">Vehicle identification number.</param>
/// <param name="Engine">Engine as said.</param>
/// <param name="Drive">Driven wheels as said.</param>
/// <param name="Sort">What sort of vehicle.</param>
/// <param name="BodyKind">How the body is carried.</param>
/// <param name="Front">Kind of the front suspension.</param>
/// <param name="Rear">Kind of the rear suspension.</param>
/// <param name="Sizes">Sizes as typed.</param>
/// <param name="Fitted">What is fitted now; of a known vehicle what was fitted since it left, and null where nothing was.</param>
/// <param name="Wish">The wish.</param>
/// <param name="Carries">What it carries.</param>
/// <param name="Troubles">Known troubles.</param>
/// <param name="Target">What is wanted.</param>
/// <param name="PromisedOn">The day on which it is promised.</param>
/// <param name="Odometer">Odometer.</param>
/// <param name="Equipment">Equipment of the bay.</param>
public sealed record TakeIn(
    Guid CommandId,
    Guid JobId,
    Guid VehicleId,
    Guid StageId,
    Guid OwnerId,
    [property: Personal] string OwnerName,
    [property: Personal] string? OwnerContact,
    Guid PlatformId,
    string Make,
    string Name,
    [property: Personal] string? Plate,
    [property: Personal] string? Vin,
    string? Engine,
    string? Drive,
    VehicleKind Sort,
    BodyKind BodyKind,
    SuspensionKind Front,
    SuspensionKind Rear,
    VehicleSizesInput Sizes,
    IReadOnlyList<FittedInput>? Fitted,
    string? Wish,
    string? Carries,
    string? Troubles,
    TargetInput Target,
    DateOnly? PromisedOn,
    QuantityInput? Odometer,
    Equipment Equipment
) : ShopCommand(CommandId)
{
    /// <summary>What the history calls it.</summary>
    public const string Said = "vehicle taken in";

    /// <inheritdoc/>
    public override string Does() => Said;

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var changes = new List<RowChange>();
        var ownerName = TypedText.Needed(OwnerName, "ownerName", "Whose vehicle is it?");
        var owner = shop.Owners.FirstOrDefault(o => o.Name == ownerName);
        if (owner is null)
        {
            owner = new Owner
            {
                Id = OwnerId,
                Name = ownerName,
                Contact = TypedText.Blank(OwnerContact),
            };
            changes.Add(new RowChange.Added(owner));
        }
        var stageId = shop.Vehicle is { } known
            ? GoOn(known, owner, changes, context)
            : Begin(shop, owner, changes, context);
        changes.Add(
            new RowChange.Added(
                new Job
                {
                    Id = JobId,
                    VehicleId = VehicleId,
                    StageId = stageId,
                    Wish = TypedText.Lines(Wish, "wish"),
                    Carries = TypedText.Lines(Carries, "carries"),
                    Troubles = TypedText.Lines(Troubles, "troubles"),
                    Target = Target.Read(),
                    PromisedOn = PromisedOn,
                    OdometerIn = QuantityInput.Read(Odometer, "odometer", "km"),
                    Equipment = Equipment,
                    TakenInAt = context.Now,
                }
            )
        );
        changes.Add(
            new RowChange.Added(new Person { Id = context.PersonId, Name = context.PersonName })
        );
        return changes;
    }

    /// <summary>A vehicle that comes for the first time: its chain begins as found.</summary>
    private Guid Begin(
        ShopState shop,
        Owner owner,
        List<RowChange> changes,
        DecisionContext context
    )
    {
        var plate = TypedText.Blank(Plate);
        if (plate is null && TypedText.Blank(Vin) is null)
        {
            throw Refuse.Value(
                "plate",
                "Note the plate or the VIN: one of them tells this vehicle from its sisters."
            );
        }
        if (shop.Platforms.All(p => p.Id != PlatformId))
        {
            throw Refuse.Value("platformId", "Choose the platform from the shop's list.");
        }
        var sizes = VehicleDefaults.Fill(Sizes.Read(), Sort);
        var tyre = Sizes.ReadTyre();
        changes.Add(
            new RowChange.Added(
                new Vehicle
                {
                    Id = VehicleId,
                    OwnerId = owner.Id,
                    PlatformId = PlatformId,
                    Make = TypedText.Needed(Make, "make", "What make is it?"),
                    Name = TypedText.Needed(Name, "name", "What is the vehicle called?"),
                    Plate = plate,
                    Vin = TypedText.Blank(Vin),
                    Engine = TypedText.Blank(Engine),
                    Drive = TypedText.Blank(Drive),
                    Kind = Sort,
                    BodyKind = BodyKind,
                    Front = new Vehicles.Suspension { Kind = Front },
                    Rear = new Vehicles.Suspension { Kind = Rear },
                    Dimensions = sizes,
                    TyreSize = tyre ?? VehicleDefaults.TyreSize(Sort),
                    TyreKnown = tyre is null ? Known.Estimated : Known.Document,
                    Stations = VehicleDefaults.Stations(sizes, Sort),
                }
            )
        );
        AddStage(
            changes,
            context,
            0,
            "as found",
            new Vehicles.Suspension { Kind = Front },
            new Vehicles.Suspension { Kind = Rear },
            Stacks(Fitted ?? [])
        );
        return StageId;
    }

    /// <summary>A vehicle that is known: its chain goes on where the last job left it.</summary>
    private Guid GoOn(
        KnownVehicle known,
        Owner owner,
        List<RowChange> changes,
        DecisionContext context
    )
    {
        if (known.OpenJob is { } open)
        {
            throw new RefusedException(
                new Refusal(
                    RefusalKind.Conflict,
                    "vehicleId",
                    "An earlier job of this vehicle is still open: go on there, or hand it over first."
                )
                {
                    Row = open,
                }
            );
        }
        if (known.Vehicle.OwnerId != owner.Id)
        {
            changes.Add(
                new RowChange.Replaced(known.Vehicle, known.Vehicle with { OwnerId = owner.Id })
            );
        }
        var last =
            known.Stages.MaxBy(s => s.Ordinal) ?? throw Refuse.Gone("This vehicle has no stage.");
        if (Fitted is null)
        {
            return last.Id;
        }
        AddStage(
            changes,
            context,
            last.Ordinal + 1,
            "as found again",
            last.Front,
            last.Rear,
            Stacks(Fitted)
        );
        return StageId;
    }

    private void AddStage(
        List<RowChange> changes,
        DecisionContext context,
        int ordinal,
        string name,
        Vehicles.Suspension front,
        Vehicles.Suspension rear,
        IReadOnlyList<CornerStack> stacks
    ) =>
        changes.Add(
            new RowChange.Added(
                new Stage
                {
                    Id = StageId,
                    VehicleId = VehicleId,
                    JobId = JobId,
                    Front = front,
                    Rear = rear,
                    Ordinal = ordinal,
                    Name = name,
                    OpenedAt = context.Now,
                    Stacks = stacks,
                }
            )
        );

    private static List<CornerStack> Stacks(IReadOnlyList<FittedInput> fitted)
    {
        if (fitted.FirstOrDefault(f => !Corners.All.Contains(f.Corner)) is { } nowhere)
        {
            throw Refuse.Value("fitted", $"“{nowhere.Corner}” is no corner: LF, RF, LR or RR.");
        }
        return
        [
            .. fitted
                .Select((f, i) => (f.Corner, Part: Placed(f, i)))
                .GroupBy(f => f.Corner, f => f.Part)
                .Select(g => new CornerStack { Corner = g.Key, Parts = [.. g] }),
        ];
    }

    private static PlacedPart Placed(FittedInput f, int i) =>
        new()
        {
            Id = f.Id,
            Name = TypedText.Needed(f.Name, $"fitted[{i}].name", "What is fitted there?"),
            Kind = f.Kind,
            Thickness = QuantityInput.Read(f.Thickness, $"fitted[{i}].thickness", "mm"),
            Claim = QuantityInput.Read(f.Claim, $"fitted[{i}].claim", "mm"),
        };
}

/// <summary>A size of a part as typed.</summary>
public sealed record PartSizeInput(string Name, QuantityInput? Value);

/// <summary>Keeps a part of the shelf: a new one without a version, else the one that was seen.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of what is made or meant.</param>
/// <param name="Version">Version of the row as it was seen.</param>
/// <param name="Number">Its number.</param>
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
public sealed record SavePart(
    Guid CommandId,
    Guid Id,
    uint? Version,
    string Number,
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
    string? Limits = null
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
            if (LeafPackBuild.WhyNot(leaves) is { } why)
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
            Number = TypedText.Needed(Number, "number", "What is its number?"),
            Name = TypedText.Needed(Name, "name", "What is it called?"),
            Kind = Part,
            Thickness = QuantityInput.Read(Thickness, "thickness", "mm"),
            Claim = QuantityInput.Read(Claim, "claim", "mm"),
            Extension = QuantityInput.Read(Extension, "extension", "mm"),
            Dimensions = sizes,
            Leaves = leaves,
            Count = Count,
            Price = Price,
            Currency = ReadCurrency(),
            Hours = QuantityInput.Read(Hours, "hours", "h"),
            Limits = TypedText.Lines(Limits, "limits"),
            Notes = TypedText.Lines(Notes, "notes"),
        };
    }

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

/// <summary>What the commands on the shelf have in common.</summary>
internal static class ShelfRules
{
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
