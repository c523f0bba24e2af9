using Nokko.Core.Geometry;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>What earlier passes of a job lifted an axle, and what of its uncertainty it shares with today's other figures.</summary>
/// <param name="Rise">Mean rise of its lips, mm.</param>
/// <param name="LeftU">Standard uncertainty of today's reading of the left lip as it enters the rise, mm.</param>
/// <param name="RightU">The same of the right lip.</param>
/// <param name="SharedU">What both axles' rises have in common, mm.</param>
public sealed record AchievedLift(
    Result Rise,
    double LeftU = 0,
    double RightU = 0,
    double SharedU = 0
);

/// <summary>A vehicle as it stands before a plan, with all that decides how it will sit.</summary>
/// <param name="From">The stage from which a plan starts.</param>
/// <param name="Vehicle">The vehicle.</param>
/// <param name="Baseline">The stance before; null when nothing was measured yet.</param>
public sealed record Situation(Stage From, Vehicle Vehicle, WalkRoundStance? Baseline)
{
    /// <summary>Name of the vehicle's platform on the shop's list; null is not known.</summary>
    public string? Platform { get; init; }

    /// <summary>Kits of the job, of whichever plan.</summary>
    public IReadOnlyList<Kit> Kits { get; init; } = [];

    /// <summary>Loads that were stated.</summary>
    public IReadOnlyList<StatedLoad> Loads { get; init; } = [];

    /// <summary>The stance at standard height, when it is known.</summary>
    public WalkRoundStance? Standard { get; init; }

    /// <summary>What the wheels' scales showed at the stage, kg, in the order of <see cref="Corners.All"/>; null where not all four were read.</summary>
    public IReadOnlyList<Estimate>? Weighed { get; init; }

    /// <summary>How much of what moves is left alone.</summary>
    public GeometryLimits Limits { get; init; } = GeometryLimits.Usual;

    /// <summary>Odometer, km; null is not known.</summary>
    public double? OdometerKm { get; init; }

    /// <summary>How the owner wants it to sit; null when nobody asked for the chance of landing.</summary>
    public Target? Target { get; init; }

    /// <summary>Rise of the front lips that earlier passes achieved, mm: a least or greatest lift counts from the first; null is none.</summary>
    public AchievedLift? FrontAchieved { get; init; }

    /// <summary>The same at the rear.</summary>
    public AchievedLift? RearAchieved { get; init; }

    /// <summary>Lift lines that our own jobs have proved, by axle and family; empty where there is only the prior.</summary>
    public IReadOnlyDictionary<(Axle Axle, LiftFamily Family), LiftBelief> Learned { get; init; } =
        new Dictionary<(Axle, LiftFamily), LiftBelief>();

    /// <summary>How far vehicles came down on springs that plans of the job have.</summary>
    public IReadOnlyList<SettledSums> Settled { get; init; } = [];
}
