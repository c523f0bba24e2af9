using Nokko.Core.Evidence;
using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>Changes the vehicle's sizes.</summary>
public sealed record SetSizes(Guid CommandId, uint Version, VehicleSizesInput Sizes)
    : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "vehicle's sizes changed";

    internal override void Decide(JobWork work)
    {
        var vehicle = work.Document.Vehicle;
        var sizes = VehicleDefaults.Fill(Sizes.Read(), vehicle.Kind);
        var tyre = Sizes.ReadTyre();
        work.Edit(
            vehicle,
            Version,
            vehicle with
            {
                Dimensions = sizes,
                TyreSize = tyre ?? VehicleDefaults.TyreSize(vehicle.Kind),
                TyreKnown = tyre is null ? Known.Estimated : Known.Document,
                Stations = Stations(vehicle, sizes),
            }
        );
    }

    /// <summary>The six usual stations follow the new sizes; those that somebody placed stay where they are.</summary>
    private static Station[] Stations(Vehicle vehicle, VehicleDimensions sizes)
    {
        var usual = VehicleDefaults.Stations(sizes, vehicle.Kind);
        return
        [
            .. usual.Select(s =>
                s with
                {
                    Edge = vehicle.Stations.FirstOrDefault(o => o.Name == s.Name)?.Edge,
                }
            ),
            .. vehicle.Stations.Where(o => usual.All(s => s.Name != o.Name)),
        ];
    }
}

/// <summary>Corrects what was written down of owner, vehicle and job when it was taken in.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Version">Version of the job's row as it was seen.</param>
/// <param name="VehicleVersion">Version of the vehicle's row as it was seen.</param>
/// <param name="OwnerVersion">Version of the owner's row as it was seen.</param>
/// <param name="OwnerName">Name of the owner.</param>
/// <param name="OwnerContact">How to reach the owner.</param>
/// <param name="Make">Make.</param>
/// <param name="Name">Model.</param>
/// <param name="Plate">Plate; this or the VIN is needed.</param>
/// <param name="Vin">VIN.</param>
/// <param name="Engine">Engine.</param>
/// <param name="Drive">Drive.</param>
/// <param name="Carries">What it carries and tows.</param>
/// <param name="Troubles">Known troubles.</param>
/// <param name="Wish">The owner's words.</param>
/// <param name="PromisedOn">Day for which it is promised.</param>
/// <param name="Odometer">Odometer when it came.</param>
/// <param name="Equipment">What it is lifted with.</param>
/// <param name="Variant">What tells the vehicle from others of its platform; null leaves it as it is.</param>
/// <remarks>An owner and a vehicle may have other jobs: they are corrected there too.</remarks>
public sealed record CorrectTakenIn(
    Guid CommandId,
    uint Version,
    uint VehicleVersion,
    uint OwnerVersion,
    [property: Personal] string OwnerName,
    [property: Personal] string? OwnerContact,
    string Make,
    string Name,
    [property: Personal] string? Plate,
    [property: Personal] string? Vin,
    string? Engine,
    string? Drive,
    string? Carries,
    string? Troubles,
    string? Wish,
    DateOnly? PromisedOn,
    QuantityInput? Odometer,
    Equipment Equipment,
    VariantInput? Variant = null
) : JobCommand(CommandId)
{
    /// <summary>As the history says it.</summary>
    public const string Said = "take-in corrected";

    /// <inheritdoc/>
    public override string Does() => Said;

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        string ReadOwner() => TypedText.Needed(OwnerName, "ownerName", "Whose vehicle is it?");
        string ReadMake() => TypedText.Needed(Make, "make", "What make is it?");
        string ReadName() => TypedText.Needed(Name, "name", "What is the vehicle called?");
        Refuse.AllAtOnce(
            () => TakeIn.Mark(Plate, Vin),
            () => QuantityInput.Read(Odometer, "odometer", Unit.Km),
            ReadOwner,
            ReadMake,
            ReadName,
            () => TypedText.Lines(Wish, "wish"),
            () => TypedText.Lines(Carries, "carries"),
            () => TypedText.Lines(Troubles, "troubles")
        );
        var (plate, vin) = TakeIn.Mark(Plate, Vin);
        var odometer = QuantityInput.Read(Odometer, "odometer", Unit.Km);
        if (
            odometer is not null
            && d.Job.OdometerOut is { } gone
            && gone.In(Unit.Km) < odometer.In(Unit.Km)
        )
        {
            throw Refuse.Value("odometer", "It was handed over with less on the odometer.");
        }
        Change(
            work,
            d.Owner,
            OwnerVersion,
            d.Owner with
            {
                Name = ReadOwner(),
                Contact = TypedText.Blank(OwnerContact),
            }
        );
        Change(
            work,
            d.Vehicle,
            VehicleVersion,
            VariantInput.On(
                d.Vehicle with
                {
                    Make = ReadMake(),
                    Name = ReadName(),
                    Plate = plate,
                    Vin = vin,
                },
                d.Platform,
                Variant,
                Engine,
                Drive
            )
        );
        Change(
            work,
            d.Job,
            Version,
            d.Job with
            {
                Wish = TypedText.Lines(Wish, "wish"),
                Carries = TypedText.Lines(Carries, "carries"),
                Troubles = TypedText.Lines(Troubles, "troubles"),
                PromisedOn = PromisedOn,
                // The same reading stays the one that was written down, with how it was known.
                OdometerIn =
                    odometer?.In(Unit.Km) == d.Job.OdometerIn?.In(Unit.Km)
                        ? d.Job.OdometerIn
                        : odometer,
                Equipment = Equipment,
            }
        );
    }

    /// <summary>A row that stays as it is meets nobody else's change.</summary>
    private static void Change<T>(JobWork work, T was, uint seen, T now)
        where T : class, IRow
    {
        if (!now.Equals(was))
        {
            work.Edit(was, seen, now);
        }
    }
}

/// <summary>Changes what is wanted.</summary>
public sealed record SetTarget(
    Guid CommandId,
    uint Version,
    TargetInput Target,
    string? Wish,
    DateOnly? PromisedOn
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "target changed";

    internal override void Decide(JobWork work)
    {
        var job = work.Document.Job;
        work.Edit(
            job,
            Version,
            job with
            {
                Target = Target.Read(),
                Wish = TypedText.Lines(Wish, "wish"),
                PromisedOn = PromisedOn,
            }
        );
    }
}

/// <summary>Turns a wish in words into the numbers of the target.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Version">Version of the row as it was seen.</param>
/// <param name="Wish">The wish.</param>
/// <param name="Amount">How much.</param>
/// <param name="Roof">Height of the roof above the floor now.</param>
/// <param name="Tyre">Size of the tyre that shall have room.</param>
public sealed record MakeWish(
    Guid CommandId,
    uint Version,
    WishKind Wish,
    QuantityInput? Amount,
    QuantityInput? Roof,
    string? Tyre
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "target changed";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var wish = new Wish(
            Wish,
            QuantityInput.Read(Amount, "amount", Unit.Mm, positive: Wish != WishKind.KeepRake),
            QuantityInput.Read(Roof, "roof", Unit.Mm),
            TypedText.Blank(Tyre)
        );
        var (target, field, why) = wish.On(JobEvaluator.SituationNow(d, PlatformEvidence.None));
        if (target is null)
        {
            throw Refuse.Value(field!, why!);
        }
        work.Edit(d.Job, Version, d.Job with { Target = target });
    }
}

/// <summary>A load as typed.</summary>
public sealed record LoadInput(
    Guid Id,
    string Name,
    QuantityInput? Mass,
    QuantityInput? Behind,
    QuantityInput? Left,
    bool Stays
)
{
    /// <summary>Reads the load at a place of the list.</summary>
    /// <exception cref="RefusedException">A field cannot be taken.</exception>
    public StatedLoad Read(int i)
    {
        var mass =
            QuantityInput.Read(Mass, $"loads[{i}].mass", Unit.Kg, positive: false)
            ?? throw Refuse.Value($"loads[{i}].mass", "How heavy is it?");
        if (Math.Abs(mass.In(Unit.Kg)) > 10_000)
        {
            throw Refuse.Value($"loads[{i}].mass", "No axle carries that: check the unit.");
        }
        var behind =
            QuantityInput.Read(Behind, $"loads[{i}].behind", Unit.Mm, positive: false)
            ?? throw Refuse.Value(
                $"loads[{i}].behind",
                "Where is it: how far behind the front axle?"
            );
        var left = QuantityInput.Read(Left, $"loads[{i}].left", Unit.Mm, positive: false);
        if (left is not null && Math.Abs(left.In(Unit.Mm)) > 5_000)
        {
            throw Refuse.Value($"loads[{i}].left", "That is off the vehicle: check the unit.");
        }
        return Math.Abs(behind.In(Unit.Mm)) > 20_000
            ? throw Refuse.Value($"loads[{i}].behind", "That is off the vehicle: check the unit.")
            : new StatedLoad
            {
                Id = Id,
                Name = TypedText.Needed(Name, $"loads[{i}].name", "What is it?"),
                Mass = mass,
                Behind = behind,
                Left = left,
                Stays = Stays,
            };
    }
}

/// <summary>States the loads: what stays (an engine, a winch), and what is put on and taken off (a trailer, a tank).</summary>
public sealed record SetLoads(Guid CommandId, uint Version, IReadOnlyList<LoadInput> Loads)
    : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "loads stated";

    internal override void Decide(JobWork work)
    {
        var job = work.Document.Job;
        work.Edit(job, Version, job with { Loads = [.. Loads.Select((l, i) => l.Read(i))] });
    }
}
