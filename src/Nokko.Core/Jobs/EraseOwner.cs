using Nokko.Core.Fitting;
using Nokko.Core.Tape;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>What the shop has of an owner whose data is to be erased.</summary>
/// <param name="Owner">The owner.</param>
/// <param name="Vehicles">The vehicles.</param>
/// <param name="Agreed">Steps at which somebody of the owner's side agreed to something.</param>
/// <param name="Signatures">What was signed for them at a hand-over.</param>
/// <param name="Photographs">Photographs in their jobs.</param>
/// <param name="HasOpenJob">Whether a job of theirs was not handed over.</param>
public sealed record OwnersData(
    Owner Owner,
    IReadOnlyList<Vehicle> Vehicles,
    IReadOnlyList<StepEntry> Agreed,
    IReadOnlyList<Signature> Signatures,
    IReadOnlyList<Attachment> Photographs,
    bool HasOpenJob
);

/// <summary>Takes out of the record who an owner is: name, contact, plates, VINs, who agreed, signatures. What was measured and fitted stays, without them. It cannot be taken back.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The owner.</param>
/// <param name="Photographs">Whether the photographs of their jobs go, too.</param>
public sealed record EraseOwner(Guid CommandId, Guid Id, bool Photographs = false)
    : ShopCommand(CommandId)
{
    /// <summary>What stands where the owner's name stood.</summary>
    public const string Name = "Owner, erased";

    /// <summary>What stands where the name of somebody stood who has left and was erased.</summary>
    public const string Colleague = "Former colleague";

    /// <inheritdoc/>
    public override string Does() => "owner's data erased";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        if (context.Role != PersonRole.Owner)
        {
            throw Refuse.Gate("", "Only the shop's owner erases somebody's data.");
        }
        if (shop.OwnersData is not { } data)
        {
            throw Refuse.Gone("There is no such owner in this shop.");
        }
        if (data.HasOpenJob)
        {
            throw Refuse.Gate(
                "id",
                "A job of theirs is open: whom would you call? Hand it over first."
            );
        }
        return
        [
            new RowChange.Replaced(data.Owner, data.Owner with { Name = Name, Contact = null }),
            .. data
                .Vehicles.Where(v => v.Plate is not null || v.Vin is not null)
                .Select(v => new RowChange.Replaced(v, v with { Plate = null, Vin = null })),
            .. data.Agreed.Select(s => new RowChange.Replaced(
                s,
                s with
                {
                    AgreedBy = "the owner",
                }
            )),
            // What was told stays; who drew a name under it does not.
            .. data.Signatures.Select(s => new RowChange.Replaced(
                s,
                s with
                {
                    Name = Name,
                    Strokes = [],
                }
            )),
            .. Photographs ? data.Photographs.Select(p => new RowChange.Withdrawn(p)) : [],
        ];
    }
}
