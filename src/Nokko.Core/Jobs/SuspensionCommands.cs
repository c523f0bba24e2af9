using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>A point as typed; both empty takes it out.</summary>
/// <param name="Name">Name of the point.</param>
/// <param name="Across">Across from the middle, or along from the wheel centre, as the kind is seen.</param>
/// <param name="Up">Above the floor.</param>
public sealed record PointInput(string Name, QuantityInput? Across, QuantityInput? Up);

/// <summary>A size as typed; empty takes it out.</summary>
public sealed record SizeInput(string Name, QuantityInput? Value);

/// <summary>A command on the suspension of one axle, as it is at the present stage.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Version">Version of the stage that was seen.</param>
/// <param name="Axle">front or rear.</param>
public abstract record SuspensionCommand(Guid CommandId, uint Version, Axle Axle)
    : JobCommand(CommandId)
{
    internal override void Decide(JobWork work)
    {
        var stage = work.Document.CurrentStage() ?? throw Refuse.Gone("This job has no stage.");
        var changed = On(work.Document, stage.SuspensionOf(Axle));
        work.Edit(
            stage,
            Version,
            Axle == Axle.Front ? stage with { Front = changed } : stage with { Rear = changed }
        );
    }

    /// <summary>The suspension after it.</summary>
    private protected abstract Vehicles.Suspension On(JobDocument d, Vehicles.Suspension now);
}

/// <summary>Says what kind an axle's suspension is, and its sizes.</summary>
public sealed record SetSuspension(
    Guid CommandId,
    uint Version,
    Axle Axle,
    SuspensionKind Suspension,
    IReadOnlyList<SizeInput> Sizes,
    ShacklePivot? ShacklePivot = null,
    HeightControl? HeightControl = null,
    SpringMedium? Medium = null
) : SuspensionCommand(CommandId, Version, Axle)
{
    /// <inheritdoc/>
    public override string Does() => "suspension described";

    private protected override Vehicles.Suspension On(JobDocument d, Vehicles.Suspension now)
    {
        var sizes = new Dictionary<string, Quantity>();
        foreach (var (name, value) in Sizes)
        {
            if (Size(name, value) is { } size)
            {
                sizes[name] = size;
            }
        }
        // What a ballast test found is no field of the form.
        if (
            now.Kind == Suspension
            && Sizes.All(s => s.Name != SuspensionSizes.WheelRate)
            && now.Dimensions.TryGetValue(SuspensionSizes.WheelRate, out var rate)
        )
        {
            sizes[SuspensionSizes.WheelRate] = rate;
        }
        // Points of another kind of suspension are points of nothing.
        return new Vehicles.Suspension
        {
            Kind = Suspension,
            Dimensions = sizes,
            ShacklePivot = Suspension.IsLeaf() ? ShacklePivot : null,
            HeightControl = HeightControl,
            Medium = Suspension.HasCoil() ? Medium : null,
            Sheet = now.Sheet,
            Track = now.Track,
            Points = now.Kind == Suspension ? now.Points : [],
            BarBodyEnd = now.Kind == Suspension ? now.BarBodyEnd : null,
            SpacePoints = now.Kind == Suspension ? now.SpacePoints : null,
        };
    }

    internal static Quantity? Size(string name, QuantityInput? input)
    {
        if (SuspensionSizes.Find(name) is not { } size)
        {
            throw Refuse.Value("sizes", $"There is no size “{name}” on a suspension.");
        }
        var value = QuantityInput.Read(input, name, size.Unit, positive: false);
        return value is not null && SuspensionSizes.WhyNot(name, value.In(size.Unit)) is { } why
            ? throw Refuse.Value(name, why)
            : value;
    }
}

/// <summary>Keeps some sizes of an axle beside those that are known; an empty one is taken out.</summary>
public sealed record TapeSizes(
    Guid CommandId,
    uint Version,
    Axle Axle,
    IReadOnlyList<SizeInput> Sizes,
    Side? BarBodyEnd = null
) : SuspensionCommand(CommandId, Version, Axle)
{
    /// <inheritdoc/>
    public override string Does() => "sizes of an axle taped";

    private protected override Vehicles.Suspension On(JobDocument d, Vehicles.Suspension now)
    {
        var sizes = new Dictionary<string, Quantity>(now.Dimensions);
        foreach (var (name, value) in Sizes)
        {
            if (SetSuspension.Size(name, value) is not { } size)
            {
                sizes.Remove(name);
            }
            else if (SuspensionSizes.Of(now.Kind).All(s => s.Name != name))
            {
                throw Refuse.Value(name, "This kind of suspension has no such size.");
            }
            else
            {
                sizes[name] = size;
            }
        }
        return now with
        {
            Dimensions = sizes,
            BarBodyEnd =
                now.Kind.IsLiveAxle() && !now.Kind.IsLeaf() ? BarBodyEnd ?? now.BarBodyEnd : null,
        };
    }
}

/// <summary>Keeps the taped points of an axle's suspension.</summary>
public sealed record SetPoints(
    Guid CommandId,
    uint Version,
    Axle Axle,
    IReadOnlyList<PointInput> Points
) : SuspensionCommand(CommandId, Version, Axle)
{
    /// <inheritdoc/>
    public override string Does() => "suspension points taped";

    private protected override Vehicles.Suspension On(JobDocument d, Vehicles.Suspension now) =>
        Taped(now, Points);

    /// <summary>A suspension with these points; a refusal where none can be put together from them.</summary>
    internal static Vehicles.Suspension Taped(
        Vehicles.Suspension now,
        IReadOnlyList<PointInput> points
    )
    {
        if (Archetype.Of(now.Kind) is not { } archetype)
        {
            throw Refuse.Value(
                "axle",
                now.Kind.IsLeaf()
                    ? "Leaf springs have no points to tape: enter chord, arch and shackle."
                    : "Torsion bars need no points: enter what a turn of the adjuster lifts."
            );
        }
        var taped = now with
        {
            Points = [.. points.Select(p => Read(p, archetype)).OfType<SuspensionPoint>()],
        };
        return
            taped.Points.Count == archetype.Points.Count
            && CornerLinkage.Of(taped).Grade != RatioGrade.Taped
            ? throw Refuse.Value(
                "points",
                "From these points no suspension can be put together. Across and up swapped, or a slip of the tape?"
            )
            : taped;
    }

    private static SuspensionPoint? Read(PointInput point, Archetype archetype)
    {
        if (archetype.Points.All(p => p.Name != point.Name))
        {
            throw Refuse.Value("points", $"There is no point “{point.Name}” on this suspension.");
        }
        var along = archetype.View == PlaneView.Along;
        // Along the vehicle a point may lie on the other side of the wheel centre.
        var across = QuantityInput.Read(
            point.Across,
            $"{point.Name}.across",
            Unit.Mm,
            positive: false
        );
        var up = QuantityInput.Read(point.Up, $"{point.Name}.up", Unit.Mm);
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

    private static RefusedException Half(PointInput point, string missing) =>
        Refuse.Value($"{point.Name}.{missing}", "Both are needed: across and up.");
}

/// <summary>A point in space as typed; all three empty takes it out.</summary>
/// <param name="Name">Name of the point.</param>
/// <param name="Forward">Forward of the wheel centre; below zero behind it.</param>
/// <param name="Outward">Outward from the vehicle's middle.</param>
/// <param name="Up">Above the floor.</param>
public sealed record SpacePointInput(
    string Name,
    QuantityInput? Forward,
    QuantityInput? Outward,
    QuantityInput? Up
);

/// <summary>Keeps the points of a double wishbone corner in space.</summary>
public sealed record SetSpacePoints(
    Guid CommandId,
    uint Version,
    Axle Axle,
    IReadOnlyList<SpacePointInput> Points
) : SuspensionCommand(CommandId, Version, Axle)
{
    /// <inheritdoc/>
    public override string Does() => "suspension points taped in space";

    private protected override Vehicles.Suspension On(JobDocument d, Vehicles.Suspension now)
    {
        if (!SpaceArms.Has(now.Kind))
        {
            throw Refuse.Value("axle", "Only two arms with a tie rod are taped in space.");
        }
        SuspensionPoint[] points = [.. Points.Select(Read).OfType<SuspensionPoint>()];
        var taped = now with { SpacePoints = points.Length == 0 ? null : points };
        return SpaceArms.Points(taped) is { } all && SpaceArms.WhyNot(all) is { } why
            ? throw Refuse.Value("points", why)
            : taped;
    }

    private static SuspensionPoint? Read(SpacePointInput point)
    {
        if (SpaceArms.Names.All(n => n.Name != point.Name))
        {
            throw Refuse.Value("points", $"There is no point “{point.Name}” on this suspension.");
        }
        Quantity? Of(QuantityInput? typed, string which, bool positive = false) =>
            QuantityInput.Read(typed, $"{point.Name}.{which}", Unit.Mm, positive);
        var (x, y, z) = (
            Of(point.Forward, "forward"),
            Of(point.Outward, "outward", positive: true),
            Of(point.Up, "up", positive: true)
        );
        string? missing = (x, y, z) switch
        {
            (null, null, null) or ({ }, { }, { }) => null,
            (null, _, _) => "forward",
            (_, null, _) => "outward",
            _ => "up",
        };
        return missing is not null
                ? throw Refuse.Value(
                    $"{point.Name}.{missing}",
                    "All three are needed: forward, outward and up."
                )
            : x is null ? null
            : new SuspensionPoint
            {
                Name = point.Name,
                X = x,
                Y = y,
                Z = z,
            };
    }
}

/// <summary>A known weight put on and taken off again: gives the axle's rate.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Version">Version of the row as it was seen.</param>
/// <param name="Axle">front or rear.</param>
/// <param name="Weight">What was put on.</param>
/// <param name="Behind">Where: behind the front axle.</param>
/// <param name="Without">Hub to lip, mean of both sides, before.</param>
/// <param name="With">The same with the weight on.</param>
/// <param name="After">The same once the weight is off again.</param>
public sealed record NoteBallast(
    Guid CommandId,
    uint Version,
    Axle Axle,
    QuantityInput Weight,
    QuantityInput Behind,
    QuantityInput Without,
    QuantityInput With,
    QuantityInput After
) : SuspensionCommand(CommandId, Version, Axle)
{
    /// <inheritdoc/>
    public override string Does() => "ballast test";

    private protected override Vehicles.Suspension On(JobDocument d, Vehicles.Suspension now)
    {
        // The suspension is told as it is without added parts: the rate of springs that came is not its own.
        if (
            d.CurrentStage() is { Ordinal: > 0 } stage
            && Corners
                .Of(Axle)
                .SelectMany(c => CornerStack.At(stage.Stacks, c))
                .FirstOrDefault(p => PartRule.Of(p.Kind).IsSpring)
                is { } came
        )
        {
            throw Refuse.Value(
                "weight",
                $"{came.Name} stands on this axle: a weight tells its rate, not that of the springs that were in. If it is not what its label says, correct the part's rate on the shelf."
            );
        }
        var (rate, why) = BallastTest.Rate(
            Axle,
            Needed(Weight, "weight", Unit.Kg).In(Unit.Kg),
            Needed(Behind, "behind", Unit.Mm, positive: false).In(Unit.Mm),
            d.Vehicle.Dimensions.Wheelbase!.In(Unit.Mm),
            Needed(Without, "without", Unit.Mm).In(Unit.Mm),
            Needed(With, "with", Unit.Mm).In(Unit.Mm),
            Needed(After, "after", Unit.Mm).In(Unit.Mm)
        );
        if (rate is null && now.HeightControl is not null)
        {
            throw Refuse.Value(
                why!.Value.Field,
                $"{why.Value.Says} A controller holds this height: switch the levelling off for this test."
            );
        }
        if (rate is null)
        {
            throw Refuse.Value(why!.Value.Field, why.Value.Says);
        }
        return now with
        {
            Dimensions = new Dictionary<string, Quantity>(now.Dimensions)
            {
                [SuspensionSizes.WheelRate] = rate,
            },
        };
    }

    private static Quantity Needed(
        QuantityInput input,
        string field,
        Unit kind,
        bool positive = true
    ) =>
        QuantityInput.Read(input, field, kind, positive)
        ?? throw Refuse.Value(field, "This is needed for the rate.");
}
