using System.Text.Json.Serialization;
using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

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

    /// <summary>All that lies on the shelf, by number and name, when a file is read in.</summary>
    public IReadOnlyDictionary<(string Number, string Name), Part> Shelf { get; init; } =
        new Dictionary<(string, string), Part>();

    /// <summary>How the shop fits; null where nobody said.</summary>
    public ShopWays? Ways { get; init; }

    /// <summary>The instrument that is named.</summary>
    public Instrument? Instrument { get; init; }

    /// <summary>Names of the shop's other instruments that are not put away.</summary>
    public IReadOnlyList<string> InstrumentNames { get; init; } = [];

    /// <summary>The tip that is named.</summary>
    public Tip? Tip { get; init; }

    /// <summary>What there is of the owner that is named.</summary>
    public OwnersData? OwnersData { get; init; }

    /// <summary>The vehicle that is named.</summary>
    public KnownVehicle? Vehicle { get; init; }
}

/// <summary>One thing that a person does in the shop outside a job, and the one that opens a job. The hierarchy is closed.</summary>
/// <param name="CommandId">Key, made by the client; repeating it changes nothing.</param>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(TakeIn), "takeIn")]
[JsonDerivedType(typeof(SavePart), "savePart")]
[JsonDerivedType(typeof(MoveStock), "moveStock")]
[JsonDerivedType(typeof(BinPart), "binPart")]
[JsonDerivedType(typeof(PutPartBack), "putPartBack")]
[JsonDerivedType(typeof(ReadInShelf), "readInShelf")]
[JsonDerivedType(typeof(SavePlatform), "savePlatform")]
[JsonDerivedType(typeof(AddVariant), "addVariant")]
[JsonDerivedType(typeof(DropVariant), "dropVariant")]
[JsonDerivedType(typeof(SetShopWays), "setShopWays")]
[JsonDerivedType(typeof(KeepLimit), "keepLimit")]
[JsonDerivedType(typeof(NoteTool), "noteTool")]
[JsonDerivedType(typeof(SaveInstrument), "saveInstrument")]
[JsonDerivedType(typeof(CheckInstrument), "checkInstrument")]
[JsonDerivedType(typeof(NoteMishap), "noteMishap")]
[JsonDerivedType(typeof(DropInstrumentNote), "dropInstrumentNote")]
[JsonDerivedType(typeof(AddTip), "addTip")]
[JsonDerivedType(typeof(DropTip), "dropTip")]
[JsonDerivedType(typeof(EraseOwner), "eraseOwner")]
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
            context.Role.MustWork();
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
