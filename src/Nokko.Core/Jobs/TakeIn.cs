using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>Takes in a vehicle and opens its job. A vehicle that is known goes on in its own chain of stages.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="JobId">Key of the job.</param>
/// <param name="VehicleId">Key of the vehicle.</param>
/// <param name="StageId">Key of the stage in which it came; of a known vehicle only where something was fitted meanwhile.</param>
/// <param name="OwnerId">Key of the owner, should the name be new.</param>
/// <param name="OwnerName">Name of the owner.</param>
/// <param name="OwnerContact">How to reach the owner.</param>
/// <param name="PlatformId">The platform; not asked of a vehicle that is known.</param>
/// <param name="Make">Make.</param>
/// <param name="Name">Name.</param>
/// <param name="Plate">Plate.</param>
/// <param name="Vin">Vehicle identification number.</param>
/// <param name="Engine">Engine as said.</param>
/// <param name="Drive">Driven wheels as said.</param>
/// <param name="Sort">What sort of vehicle; not asked of a vehicle that is known.</param>
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
/// <param name="Variant">What tells it from others of its platform.</param>
/// <param name="Comeback">That it comes back for work that was done here; of a known vehicle only.</param>
public sealed record TakeIn(
    Guid CommandId,
    Guid JobId,
    Guid VehicleId,
    Guid StageId,
    Guid OwnerId,
    [property: Personal] string OwnerName,
    [property: Personal] string? OwnerContact,
    Guid? PlatformId,
    string Make,
    string Name,
    [property: Personal] string? Plate,
    [property: Personal] string? Vin,
    string? Engine,
    string? Drive,
    VehicleKind? Sort,
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
    Equipment? Equipment,
    VariantInput? Variant = null,
    ComebackInput? Comeback = null
) : ShopCommand(CommandId)
{
    /// <summary>What the history calls it.</summary>
    public const string Said = "vehicle taken in";

    /// <summary>Name of the stage in which a vehicle comes again, when something was fitted since it left.</summary>
    public const string FoundAgain = "as found again";

    /// <summary>Why a way is followed that nobody gave a reason for.</summary>
    public const string ShopsWay = "the shop's way";

    /// <inheritdoc/>
    public override string Does() => Said;

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        Refuse.AllAtOnce([
            () => ReadOwner(OwnerName),
            () => ReadEquipment(),
            () => TypedText.Lines(Wish, "wish"),
            () => TypedText.Lines(Carries, "carries"),
            () => TypedText.Lines(Troubles, "troubles"),
            Target.Read,
            () => QuantityInput.Read(Odometer, "odometer", Unit.Km),
            () => ReadComeback(shop),
            .. (Fitted ?? []).Select((f, i) => (Func<object?>)(() => f.Read(i))),
            .. shop.Vehicle is null
                ? (IEnumerable<Func<object?>>)
                    [
                        () => Mark(Plate, Vin),
                        () => ReadSort(),
                        () => ReadMake(Make),
                        () => ReadName(Name),
                        () => ReadPlatform(shop),
                        Sizes.Read,
                    ]
                : [],
        ]);
        var changes = new List<RowChange>();
        var ownerName = ReadOwner(OwnerName);
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
                    OdometerIn = QuantityInput.Read(Odometer, "odometer", Unit.Km),
                    Equipment = ReadEquipment(),
                    TorqueBand = shop.Ways?.TorqueBand,
                    Limits = shop.Ways?.Limits is { Count: > 0 } limits ? limits : null,
                    TakenInAt = context.Now,
                    Comeback = ReadComeback(shop),
                }
            )
        );
        // What the shop changes later leaves this job as it is.
        var keys = new RowKeys(CommandId, context.Now);
        foreach (var way in shop.Ways?.Ways ?? [])
        {
            changes.Add(
                new RowChange.Added(
                    new SchoolChoice
                    {
                        Id = keys.Next(),
                        School = way.School,
                        Choice = way.Choice,
                        Why = way.Why ?? ShopsWay,
                        PersonId = context.PersonId,
                    }
                )
            );
        }
        changes.Add(
            new RowChange.Added(new Person { Id = context.PersonId, Name = context.PersonName })
        );
        return changes;
    }

    internal static string ReadOwner(string name) =>
        TypedText.Needed(name, "ownerName", "Whose vehicle is it?");

    internal static string ReadMake(string make) =>
        TypedText.Needed(make, "make", "What make is it?");

    internal static string ReadName(string name) =>
        TypedText.Needed(name, "name", "What is the vehicle called?");

    private Comeback? ReadComeback(ShopState shop) =>
        Comeback is not null && shop.Vehicle is null
            ? throw Refuse.Value("comeback.for", SayComeback.NotHere)
            : Comeback?.Read();

    private VehicleKind ReadSort() =>
        Sort ?? throw Refuse.Value("sort", "What is it? Choose by the drawing.");

    private Equipment ReadEquipment() =>
        Equipment ?? throw Refuse.Value("equipment", "With what is it lifted here?");

    private Platform ReadPlatform(ShopState shop) =>
        shop.Platforms.FirstOrDefault(p => p.Id == PlatformId)
        ?? throw Refuse.Value(
            "platformId",
            "Choose the platform from the shop's list, or name a new one."
        );

    /// <summary>A vehicle that comes for the first time: its chain begins as found.</summary>
    private Guid Begin(
        ShopState shop,
        Owner owner,
        List<RowChange> changes,
        DecisionContext context
    )
    {
        var (plate, vin) = Mark(Plate, Vin);
        var platform = ReadPlatform(shop);
        var sort = ReadSort();
        var sizes = VehicleDefaults.Fill(Sizes.Read(), sort);
        var tyre = Sizes.ReadTyre();
        changes.Add(
            new RowChange.Added(
                VariantInput.On(
                    new Vehicle
                    {
                        Id = VehicleId,
                        OwnerId = owner.Id,
                        PlatformId = platform.Id,
                        Make = ReadMake(Make),
                        Name = ReadName(Name),
                        Plate = plate,
                        Vin = vin,
                        Kind = sort,
                        BodyKind = BodyKind,
                        Front = new Vehicles.Suspension { Kind = Front },
                        Rear = new Vehicles.Suspension { Kind = Rear },
                        Dimensions = sizes,
                        TyreSize = tyre ?? VehicleDefaults.TyreSize(sort),
                        TyreKnown = tyre is null ? Known.Estimated : Known.Document,
                        Stations = VehicleDefaults.Stations(sizes, sort),
                    },
                    platform,
                    Variant,
                    Engine,
                    Drive
                )
            )
        );
        AddStage(
            changes,
            context,
            0,
            "as found",
            new Vehicles.Suspension { Kind = Front },
            new Vehicles.Suspension { Kind = Rear },
            FittedInput.Stacks(Fitted ?? [], [])
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
            FoundAgain,
            last.Front,
            last.Rear,
            FittedInput.Stacks(Fitted, last.Stacks)
        );
        return StageId;
    }

    /// <summary>What tells a vehicle from its sisters.</summary>
    /// <exception cref="RefusedException">Neither was noted.</exception>
    internal static (string? Plate, string? Vin) Mark(string? plate, string? vin)
    {
        var mark = (Plate: TypedText.Blank(plate), Vin: TypedText.Blank(vin));
        return mark is (null, null)
            ? throw Refuse.Value(
                "plate",
                "Note the plate or the VIN: one of them tells this vehicle from its sisters."
            )
            : mark;
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
}
