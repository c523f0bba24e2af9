using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;

namespace Nokko.Server.Jobs;

/// <summary>Takes in a vehicle and opens its job.</summary>
internal static class TakeIn
{
    internal sealed record FittedNow(
        Guid Id,
        string Corner,
        string Name,
        PartKind Kind,
        QuantityInput? Thickness,
        QuantityInput? Claim
    );

    internal sealed record Body(
        Guid CommandId,
        Guid JobId,
        Guid VehicleId,
        Guid StageId,
        Guid OwnerId,
        string OwnerName,
        string? OwnerContact,
        Guid PlatformId,
        string Make,
        string Name,
        string? Plate,
        string? Vin,
        string? Engine,
        string? Drive,
        VehicleKind Kind,
        BodyKind BodyKind,
        SuspensionKind Front,
        SuspensionKind Rear,
        VehicleSizes Sizes,
        IReadOnlyList<FittedNow> Fitted,
        string? Wish,
        string? Carries,
        string? Troubles,
        TargetInput Target,
        DateOnly? PromisedOn,
        QuantityInput? Odometer,
        Equipment Equipment
    );

    public static void Map(RouteGroupBuilder jobs) => jobs.MapPost("", Handle);

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Handle(
        Body body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Create(
            body.JobId,
            body.CommandId,
            "vehicle taken in",
            body,
            async () =>
            {
                var ownerName = Text(body.OwnerName, "ownerName", "Whose vehicle is it?");
                var plate = Blank(body.Plate);
                if (plate is null && Blank(body.Vin) is null)
                {
                    throw new TroubleException(
                        Trouble.At(
                            "plate",
                            "Note the plate or the VIN: one of them tells this vehicle from its sisters."
                        )
                    );
                }
                if (!await desk.Db.Platforms.AnyAsync(p => p.Id == body.PlatformId, cancel))
                {
                    throw new TroubleException(
                        Trouble.At("platformId", "Choose the platform from the shop's list.")
                    );
                }
                var owner = await desk
                    .Db.Owners.AsNoTracking()
                    .FirstOrDefaultAsync(o => o.Name == ownerName, cancel);
                if (owner is null)
                {
                    owner = desk.Db.Put(
                        new Owner
                        {
                            Id = body.OwnerId,
                            Name = ownerName,
                            Contact = Blank(body.OwnerContact),
                        }
                    );
                }
                var sizes = VehicleDefaults.Fill(body.Sizes.Read(), body.Kind);
                desk.Db.Put(
                    new Vehicle
                    {
                        Id = body.VehicleId,
                        OwnerId = owner.Id,
                        PlatformId = body.PlatformId,
                        Make = Text(body.Make, "make", "What make is it?"),
                        Name = Text(body.Name, "name", "What is the vehicle called?"),
                        Plate = plate,
                        Vin = Blank(body.Vin),
                        Engine = Blank(body.Engine),
                        Drive = Blank(body.Drive),
                        Kind = body.Kind,
                        BodyKind = body.BodyKind,
                        Front = new Suspension { Kind = body.Front },
                        Rear = new Suspension { Kind = body.Rear },
                        Dimensions = sizes,
                        TyreSize = body.Sizes.ReadTyre() ?? VehicleDefaults.TyreSize(body.Kind),
                        TyreKnown = body.Sizes.ReadTyre() is null
                            ? Known.Estimated
                            : Known.Document,
                        Stations = VehicleDefaults.Stations(sizes, body.Kind),
                    }
                );
                desk.Db.Put(
                    new Job
                    {
                        Id = body.JobId,
                        VehicleId = body.VehicleId,
                        Wish = Blank(body.Wish),
                        Carries = Blank(body.Carries),
                        Troubles = Blank(body.Troubles),
                        Target = body.Target.Read(),
                        PromisedOn = body.PromisedOn,
                        OdometerIn = QuantityInput.Read(body.Odometer, "odometer", "km"),
                        Equipment = body.Equipment,
                        TakenInAt = desk.Now,
                    }
                );
                desk.Db.Put(
                    body.JobId,
                    new Stage
                    {
                        Id = body.StageId,
                        VehicleId = body.VehicleId,
                        Ordinal = 0,
                        Name = "as found",
                        OpenedAt = desk.Now,
                        Stacks = Stacks(body.Fitted),
                    }
                );
            },
            cancel
        );

    private static List<CornerStack> Stacks(IReadOnlyList<FittedNow> fitted)
    {
        if (fitted.FirstOrDefault(f => !Corners.All.Contains(f.Corner)) is { } nowhere)
        {
            throw new TroubleException(
                Trouble.At("fitted", $"“{nowhere.Corner}” is no corner: LF, RF, LR or RR.")
            );
        }
        return
        [
            .. fitted
                .Select((f, i) => (f.Corner, Part: Placed(f, i)))
                .GroupBy(f => f.Corner, f => f.Part)
                .Select(g => new CornerStack { Corner = g.Key, Parts = [.. g] }),
        ];
    }

    private static PlacedPart Placed(FittedNow f, int i) =>
        new()
        {
            Id = f.Id,
            Name = Text(f.Name, $"fitted[{i}].name", "What is fitted there?"),
            Kind = f.Kind,
            Thickness = QuantityInput.Read(f.Thickness, $"fitted[{i}].thickness", "mm"),
            Claim = QuantityInput.Read(f.Claim, $"fitted[{i}].claim", "mm"),
        };

    internal static string? Blank(string? text) =>
        string.IsNullOrWhiteSpace(text) ? null : text.Trim();

    internal static string Text(string? text, string field, string question) =>
        Blank(text) is { } plain
            ? plain.Length <= 200
                ? plain
                : throw new TroubleException(
                    Trouble.At(field, "That is too long: 200 characters at most.")
                )
            : throw new TroubleException(Trouble.At(field, question));
}

/// <summary>A target as typed.</summary>
internal sealed record TargetInput(
    Datum Datum,
    bool WantsRake,
    QuantityInput? Rake,
    QuantityInput? LeastFrontLift,
    QuantityInput? LeastRearLift,
    QuantityInput? Tolerance,
    QuantityInput? MostFrontLift = null,
    QuantityInput? MostRearLift = null,
    bool NoLean = false,
    bool Loaded = false
)
{
    /// <summary>Reads it; no rake typed is level.</summary>
    public Target Read() =>
        new()
        {
            Datum = Datum,
            Rake = WantsRake
                ? QuantityInput.Read(Rake, "target.rake", "mm", positive: false)
                    ?? Quantity.Mm(0, Known.Told)
                : null,
            LeastFrontLift = QuantityInput.Read(LeastFrontLift, "target.leastFrontLift", "mm"),
            LeastRearLift = QuantityInput.Read(LeastRearLift, "target.leastRearLift", "mm"),
            MostFrontLift = QuantityInput.Read(MostFrontLift, "target.mostFrontLift", "mm"),
            MostRearLift = QuantityInput.Read(MostRearLift, "target.mostRearLift", "mm"),
            NoLean = NoLean,
            Loaded = Loaded,
            Tolerance =
                QuantityInput.Read(Tolerance, "target.tolerance", "mm")
                ?? Quantity.Mm(Target.UsualToleranceMm, Known.Estimated),
        };
}

/// <summary>A vehicle's sizes as typed; what is left out is estimated.</summary>
internal sealed record VehicleSizes(
    QuantityInput? Wheelbase,
    QuantityInput? FrontTrack,
    QuantityInput? RearTrack,
    QuantityInput? FrontSpringBase,
    QuantityInput? RearSpringBase,
    QuantityInput? FrontAxleMass,
    QuantityInput? RearAxleMass,
    QuantityInput? FrontUnsprungShare,
    QuantityInput? RearUnsprungShare,
    QuantityInput? SillHeight,
    QuantityInput? MidMark,
    string? TyreSize
)
{
    public VehicleDimensions Read() =>
        new()
        {
            Wheelbase = Size(Wheelbase, "wheelbase"),
            FrontTrack = Size(FrontTrack, "frontTrack"),
            RearTrack = Size(RearTrack, "rearTrack"),
            FrontSpringBase = Size(FrontSpringBase, "frontSpringBase"),
            RearSpringBase = Size(RearSpringBase, "rearSpringBase"),
            FrontAxleMass = Size(FrontAxleMass, "frontAxleMass"),
            RearAxleMass = Size(RearAxleMass, "rearAxleMass"),
            FrontUnsprungShare = Size(FrontUnsprungShare, "frontUnsprungShare"),
            RearUnsprungShare = Size(RearUnsprungShare, "rearUnsprungShare"),
            SillHeight = Size(SillHeight, "sillHeight"),
            MidMark = Size(MidMark, "midMark"),
        };

    private static Quantity? Size(QuantityInput? input, string name)
    {
        var unit = VehicleDimensions.Limits[name].Unit;
        var size = QuantityInput.Read(input, $"sizes.{name}", unit);
        return size is not null && VehicleDimensions.WhyNot(name, size.In(unit)) is { } why
            ? throw new TroubleException(Trouble.At($"sizes.{name}", why))
            : size;
    }

    public string? ReadTyre() =>
        TakeIn.Blank(TyreSize) is not { } text ? null
        : Core.Vehicles.TyreSize.Parse(text) is not null ? text
        : throw new TroubleException(
            Trouble.At(
                "sizes.tyreSize",
                "That is no tyre size. Write it as on the tyre, for example 265/70R17 or 33x12.50R15."
            )
        );
}
