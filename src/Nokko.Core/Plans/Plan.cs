using System.Text.Json.Serialization;
using Nokko.Core.Finding;
using Nokko.Core.Geometry;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Plans;

/// <summary>How the owner wants the vehicle to sit.</summary>
public sealed record Target
{
    /// <summary>The datum in which the target is stated; level by hubs and level by floor differ.</summary>
    public required Datum Datum { get; init; }

    /// <summary>Rake wanted: rear lip minus front lip. Zero is level; null when only a lift is wanted.</summary>
    public Quantity? Rake { get; init; }

    /// <summary>Whether the rake is wanted with the stated loads on, those too that are put on and taken off.</summary>
    public bool Loaded { get; init; }

    /// <summary>Least rise of the front lips.</summary>
    public Quantity? LeastFrontLift { get; init; }

    /// <summary>Least rise of the rear lips.</summary>
    public Quantity? LeastRearLift { get; init; }

    /// <summary>Greatest rise of the front lips.</summary>
    public Quantity? MostFrontLift { get; init; }

    /// <summary>Greatest rise of the rear lips.</summary>
    public Quantity? MostRearLift { get; init; }

    /// <summary>Whether a side lean shall be taken out.</summary>
    public bool NoLean { get; init; }

    /// <summary>Whether both diagonals of the wheels shall carry the same, as corner scales tell it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool EvenDiagonals { get; init; }

    /// <summary>How far off counts as reached.</summary>
    public required Quantity Tolerance { get; init; }

    /// <summary>The usual tolerance, 1/4 in, mm.</summary>
    public const double UsualToleranceMm = 6.35;
}

/// <summary>One vehicle's visit: what is wanted, agreed and promised.</summary>
public sealed record Job : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The vehicle.</summary>
    public required Guid VehicleId { get; init; }

    /// <summary>The stage in which the vehicle came: the first of its chain, or the last one of an earlier job.</summary>
    public required Guid StageId { get; init; }

    /// <summary>What the owner wants, in the owner's words.</summary>
    public string? Wish { get; init; }

    /// <summary>What it carries and tows.</summary>
    public string? Carries { get; init; }

    /// <summary>Loads that were stated.</summary>
    public IReadOnlyList<StatedLoad> Loads { get; init; } = [];

    /// <summary>How far people say that it came up.</summary>
    public IReadOnlyList<ToldGain> ToldGains { get; init; } = [];

    /// <summary>Known troubles.</summary>
    public string? Troubles { get; init; }

    /// <summary>The target.</summary>
    public required Target Target { get; init; }

    /// <summary>When it was promised.</summary>
    public DateOnly? PromisedOn { get; init; }

    /// <summary>Odometer when taken in.</summary>
    public Quantity? OdometerIn { get; init; }

    /// <summary>Odometer when handed over.</summary>
    public Quantity? OdometerOut { get; init; }

    /// <summary>Bay.</summary>
    public string? Bay { get; init; }

    /// <summary>How the vehicle is lifted: two-post lift, jack and stands, pit.</summary>
    public required Equipment Equipment { get; init; }

    /// <summary>How far a torque may lie from its spec, as a share, before somebody is asked why; null is the usual band.</summary>
    public double? TorqueBand { get; init; }

    /// <summary>Own limits of what a lift moves, instead of the rules of thumb; null is none.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<GeometryLimit>? Limits { get; init; }

    /// <summary>When it was taken in.</summary>
    public required DateTimeOffset TakenInAt { get; init; }

    /// <summary>When it was brought in as a copy of a job that was here already; null for the job itself. What a copy brought with it proves nothing anew.</summary>
    public DateTimeOffset? CopiedAt { get; init; }

    /// <summary>When it was thrown away; null while it was not.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public DateTimeOffset? BinnedAt { get; init; }

    /// <summary>That it came back for work that was done here; null where it did not.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Comeback? Comeback { get; init; }

    /// <summary>When it was handed over.</summary>
    public DateTimeOffset? HandedOverAt { get; init; }

    /// <summary>Who handed it over.</summary>
    public Guid? HandedOverBy { get; init; }

    /// <summary>Words for the owner on what changed.</summary>
    public string? OwnerNotes { get; init; }
}

/// <summary>How a vehicle is lifted.</summary>
public enum Equipment
{
    /// <summary>Two-post lift.</summary>
    TwoPostLift,

    /// <summary>Jack and stands.</summary>
    JackAndStands,

    /// <summary>Pit.</summary>
    Pit,
}

/// <summary>What is fitted at every corner between two changes. Belongs to the vehicle and outlives the job.</summary>
public sealed record Stage : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The vehicle.</summary>
    public required Guid VehicleId { get; init; }

    /// <summary>The job that opened it.</summary>
    public required Guid JobId { get; init; }

    /// <summary>Front suspension: it belongs to the stage, because a conversion changes it.</summary>
    public required Vehicles.Suspension Front { get; init; }

    /// <summary>Rear suspension.</summary>
    public required Vehicles.Suspension Rear { get; init; }

    /// <summary>Place in the vehicle's chain, from 0, which is as found; −1 is the vehicle as it left the works.</summary>
    public required int Ordinal { get; init; }

    /// <summary>Name: standard, as found, after stack 1 …</summary>
    public required string Name { get; init; }

    /// <summary>When it began.</summary>
    public required DateTimeOffset OpenedAt { get; init; }

    /// <summary>What is fitted at each corner; a corner that is not listed has nothing added.</summary>
    public required IReadOnlyList<CornerStack> Stacks { get; init; }

    /// <summary>The suspension of an axle.</summary>
    public Vehicles.Suspension SuspensionOf(Axle axle) =>
        axle == Vehicles.Axle.Front ? Front : Rear;
}

/// <summary>Stacks that are meant to be fitted, from one stage to the next.</summary>
public sealed record Plan : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Name.</summary>
    public required string Name { get; init; }

    /// <summary>The stage from which it starts.</summary>
    public required Guid FromStageId { get; init; }

    /// <summary>The stage that it made; null until the fitting begins.</summary>
    public Guid? ToStageId { get; init; }

    /// <summary>What shall be fitted at each corner when it is done.</summary>
    public required IReadOnlyList<CornerStack> Stacks { get; init; }

    /// <summary>Whether it is the one that shall be fitted, of those that stand side by side.</summary>
    public bool Chosen { get; init; }

    /// <summary>Parts that go in although they do not fit, each with the reason.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<FittedAnyway>? Anyway { get; init; }

    /// <summary>Axles that get another suspension, at most one line for each; null is none.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<AxleConversion>? Conversions { get; init; }

    /// <summary>Whether it changes something on an axle that may lift.</summary>
    /// <param name="axle">The axle.</param>
    /// <param name="from">The stage that it starts from.</param>
    public bool MayLift(Axle axle, Stage from) =>
        this.Of(axle) is not null
        || Corners
            .Of(axle)
            .Select(c => CornerStack.Change(c, from.Stacks, Stacks))
            .Any(change => change.Gone.Concat(change.Come).Any(p => PartRule.Of(p.Kind).MayLift));

    /// <summary>When the fitting began.</summary>
    public DateTimeOffset? BegunAt { get; init; }
}

/// <summary>The prediction as it stood when the fitting began; proof compares with this one only.</summary>
public sealed record FrozenPrediction : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The plan.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>When it was frozen.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>Version of the core that computed it.</summary>
    public required string Core { get; init; }

    /// <summary>The prediction, with the readings and parts that it rests on.</summary>
    public required Prediction Prediction { get; init; }

    /// <summary>The target as it stood.</summary>
    public required Target Target { get; init; }

    /// <summary>The sizes as they stood.</summary>
    public required Vehicles.VehicleDimensions Dimensions { get; init; }
}

/// <summary>A choice between ways that good fitters differ on.</summary>
public sealed record SchoolChoice : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The question, for example <c>measureFrom</c>.</summary>
    public required string School { get; init; }

    /// <summary>The way chosen.</summary>
    public required string Choice { get; init; }

    /// <summary>Why.</summary>
    public string? Why { get; init; }

    /// <summary>Who chose.</summary>
    public required Guid PersonId { get; init; }
}
