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
                Stations = Stations(vehicle.Stations, sizes, vehicle.Kind),
            }
        );
    }

    /// <summary>The six usual stations follow the new sizes; those that somebody placed stay where they are.</summary>
    internal static IReadOnlyList<Station> Stations(
        IReadOnlyList<Station> placed,
        VehicleDimensions sizes,
        VehicleKind kind
    )
    {
        var usual = VehicleDefaults.Stations(sizes, kind);
        return
        [
            .. usual.Select(s =>
                s with
                {
                    Edge = placed.FirstOrDefault(o => o.Name == s.Name)?.Edge,
                }
            ),
            .. placed.Where(o => usual.All(s => s.Name != o.Name)),
        ];
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
