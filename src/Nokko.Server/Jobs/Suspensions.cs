using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;

namespace Nokko.Server.Jobs;

/// <summary>The suspension of each axle: its kind, its sizes, its taped points; and what there is to choose from.</summary>
internal static class Suspensions
{
    /// <summary>A point as typed; both empty takes it out.</summary>
    /// <param name="Name">Name of the point.</param>
    /// <param name="Across">Across from the middle, or along from the wheel centre, as the kind is seen.</param>
    /// <param name="Up">Above the floor.</param>
    internal sealed record PointInput(string Name, QuantityInput? Across, QuantityInput? Up);

    internal sealed record EditPoints(
        Guid CommandId,
        uint Version,
        string Axle,
        IReadOnlyList<PointInput> Points
    );

    /// <summary>A size as typed; empty takes it out.</summary>
    internal sealed record SizeInput(string Name, QuantityInput? Value);

    internal sealed record EditSuspension(
        Guid CommandId,
        uint Version,
        string Axle,
        SuspensionKind Kind,
        IReadOnlyList<SizeInput> Sizes
    );

    /// <summary>A kind with what is taped of it and what it looks like.</summary>
    internal sealed record KindView(
        SuspensionKind Kind,
        string Said,
        bool LiveAxle,
        Archetype? Archetype,
        IReadOnlyList<SuspensionSize> Sizes
    );

    public static void MapCatalogue(RouteGroupBuilder api) =>
        api.MapGet("/suspensions", () => TypedResults.Ok(Catalogue));

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapPut("/{job:guid}/suspension-points", StorePoints);
        jobs.MapPut("/{job:guid}/suspension", Store);
        jobs.MapPost("/{job:guid}/ballast-test", StoreBallast);
    }

    private static readonly KindView[] Catalogue =
    [
        .. Enum.GetValues<SuspensionKind>()
            .Select(k => new KindView(
                k,
                k.Said(),
                k.IsLiveAxle(),
                Archetype.Of(k),
                SuspensionSizes.Of(k)
            )),
    ];

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Store(
        Guid job,
        EditSuspension body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "suspension described",
            body,
            d =>
            {
                var now = d.Vehicle.SuspensionOf(Axle(body.Axle));
                var sizes = new Dictionary<string, Quantity>();
                foreach (var (name, value) in body.Sizes)
                {
                    if (Size(name, value) is { } size)
                    {
                        sizes[name] = size;
                    }
                }
                // What a ballast test found is no field of the form.
                if (
                    now.Kind == body.Kind
                    && body.Sizes.All(s => s.Name != SuspensionSizes.WheelRate)
                    && now.Dimensions.TryGetValue(SuspensionSizes.WheelRate, out var rate)
                )
                {
                    sizes[SuspensionSizes.WheelRate] = rate;
                }
                // Points of another kind of suspension are points of nothing.
                Put(
                    desk,
                    d.Vehicle,
                    body.Version,
                    body.Axle,
                    new Suspension
                    {
                        Kind = body.Kind,
                        Dimensions = sizes,
                        Points = now.Kind == body.Kind ? now.Points : [],
                    }
                );
            },
            cancel
        );

    private static Quantity? Size(string name, QuantityInput? input)
    {
        if (SuspensionSizes.Find(name) is not { } size)
        {
            throw new TroubleException(
                Trouble.At("sizes", $"There is no size “{name}” on a suspension.")
            );
        }
        var value = QuantityInput.Read(input, name, size.Unit, positive: false);
        return value is not null && SuspensionSizes.WhyNot(name, value.In(size.Unit)) is { } why
            ? throw new TroubleException(Trouble.At(name, why))
            : value;
    }

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> StorePoints(
        Guid job,
        EditPoints body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "suspension points taped",
            body,
            d =>
            {
                var now = d.Vehicle.SuspensionOf(Axle(body.Axle));
                if (Archetype.Of(now.Kind) is not { } archetype)
                {
                    throw new TroubleException(
                        Trouble.At(
                            "axle",
                            "Leaf springs have no points to tape: enter chord, arch and shackle."
                        )
                    );
                }
                var taped = now with
                {
                    Points =
                    [
                        .. body.Points.Select(p => Read(p, archetype)).OfType<SuspensionPoint>(),
                    ],
                };
                if (
                    taped.Points.Count == archetype.Points.Count
                    && CornerLinkage.Of(taped).Grade != RatioGrade.Taped
                )
                {
                    throw new TroubleException(
                        Trouble.At(
                            "points",
                            "From these points no suspension can be put together. Across and up swapped, or a slip of the tape?"
                        )
                    );
                }
                Put(desk, d.Vehicle, body.Version, body.Axle, taped);
            },
            cancel
        );

    private static SuspensionPoint? Read(PointInput point, Archetype archetype)
    {
        if (archetype.Points.All(p => p.Name != point.Name))
        {
            throw new TroubleException(
                Trouble.At("points", $"There is no point “{point.Name}” on this suspension.")
            );
        }
        var along = archetype.View == PlaneView.Along;
        // Along the vehicle a point may lie on the other side of the wheel centre.
        var across = QuantityInput.Read(
            point.Across,
            $"{point.Name}.across",
            "mm",
            positive: false
        );
        var up = QuantityInput.Read(point.Up, $"{point.Name}.up", "mm");
        return (across, up) switch
        {
            (null, null) => null,
            (null, _) => throw Half(point, "across"),
            (_, null) => throw Half(point, "up"),
            _ => new SuspensionPoint
            {
                Name = point.Name,
                X = along ? across : null,
                Y = along ? null : across,
                Z = up,
            },
        };
    }

    private static TroubleException Half(PointInput point, string missing) =>
        new(Trouble.At($"{point.Name}.{missing}", "Both are needed: across and up."));

    private static string Axle(string axle) =>
        axle is Corners.Front or Corners.Rear
            ? axle
            : throw new TroubleException(Trouble.At("axle", "The axle is front or rear."));

    private static void Put(
        JobDesk desk,
        Vehicle vehicle,
        uint version,
        string axle,
        Suspension suspension
    ) =>
        desk.Edit(
            vehicle,
            version,
            axle == Corners.Front
                ? vehicle with
                {
                    Front = suspension,
                }
                : vehicle with
                {
                    Rear = suspension,
                }
        );

    /// <summary>A known weight put on and taken off again.</summary>
    /// <param name="Weight">What was put on.</param>
    /// <param name="Behind">Where: behind the front axle.</param>
    /// <param name="Without">Hub to lip, mean of both sides, before.</param>
    /// <param name="With">The same with the weight on.</param>
    /// <param name="After">The same once the weight is off again.</param>
    internal sealed record BallastCommand(
        Guid CommandId,
        uint Version,
        string Axle,
        QuantityInput Weight,
        QuantityInput Behind,
        QuantityInput Without,
        QuantityInput With,
        QuantityInput After
    );

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> StoreBallast(
        Guid job,
        BallastCommand body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "ballast test",
            body,
            d =>
            {
                var axle = Axle(body.Axle);
                var (rate, why) = BallastTest.Rate(
                    axle,
                    Needed(body.Weight, "weight", "kg").In("kg"),
                    Needed(body.Behind, "behind", "mm", positive: false).In("mm"),
                    d.Vehicle.Dimensions.Wheelbase!.In("mm"),
                    Needed(body.Without, "without", "mm").In("mm"),
                    Needed(body.With, "with", "mm").In("mm"),
                    Needed(body.After, "after", "mm").In("mm")
                );
                if (rate is null)
                {
                    throw new TroubleException(Trouble.At(why!.Value.Field, why.Value.Says));
                }
                var now = d.Vehicle.SuspensionOf(axle);
                var sizes = new Dictionary<string, Quantity>(now.Dimensions)
                {
                    [SuspensionSizes.WheelRate] = rate,
                };
                Put(desk, d.Vehicle, body.Version, axle, now with { Dimensions = sizes });
            },
            cancel
        );

    private static Quantity Needed(
        QuantityInput input,
        string field,
        string kind,
        bool positive = true
    ) =>
        QuantityInput.Read(input, field, kind, positive)
        ?? throw new TroubleException(Trouble.At(field, "This is needed for the rate."));
}

/// <summary>What is known of an axle's linkage.</summary>
/// <param name="Axle">front or rear.</param>
/// <param name="Said">Its kind as said in a bay.</param>
/// <param name="Grade">On what the ratio rests.</param>
/// <param name="MotionRatio">Spring travel per wheel travel at ride height.</param>
/// <param name="LiftRatio">Rise of the body per length of the spring, at ride height.</param>
/// <param name="LiftRatioSd">Its standard deviation.</param>
internal sealed record AxleView(
    string Axle,
    string Said,
    RatioGrade Grade,
    double MotionRatio,
    double LiftRatio,
    double LiftRatioSd
)
{
    public static IReadOnlyList<AxleView> Of(Vehicle vehicle) =>
        [
            .. new[] { Corners.Front, Corners.Rear }.Select(axle =>
            {
                var suspension = vehicle.SuspensionOf(axle);
                var corner = CornerLinkage.Of(suspension);
                return new AxleView(
                    axle,
                    suspension.Kind.Said(),
                    corner.Grade,
                    1 / corner.Ratio.Mean,
                    corner.Ratio.Mean,
                    corner.Ratio.Sd
                );
            }),
        ];
}
