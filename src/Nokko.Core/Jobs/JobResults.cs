using System.Text.Json.Serialization;
using Nokko.Core.Evidence;
using Nokko.Core.Finding;
using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>Everything that the core computes from a job.</summary>
public sealed record JobResults
{
    /// <summary>The name of the format.</summary>
    public const string FormatName = "nokko.results";

    /// <summary>Always <see cref="FormatName"/>.</summary>
    public required string Format { get; init; }

    /// <summary>Version of the format.</summary>
    public required int Version { get; init; }

    /// <summary>Version of the core.</summary>
    public required string Core { get; init; }

    /// <summary>The job.</summary>
    public required Guid JobId { get; init; }

    /// <summary>Stance of every walk-round.</summary>
    public required IReadOnlyList<WalkRoundStance> WalkRounds { get; init; }

    /// <summary>Prediction of every plan as the core computes it now, from the latest walk-round of its first stage.</summary>
    public required IReadOnlyList<Prediction> Predictions { get; init; }

    /// <summary>Stacks that land, in order, made of the parts that the job itself names; null where nobody asked.</summary>
    public IReadOnlyList<RankedStack>? Ranking { get; init; }

    /// <summary>The job cards of the plan that is being fitted and of the chosen draft, as lines; null where nobody asked.</summary>
    public IReadOnlyList<PlanCard>? Cards { get; init; }

    /// <summary>What the chosen draft, else the plan that is being fitted, moves besides the height, a line each.</summary>
    public IReadOnlyList<MovedLine> Moved { get; init; } = [];

    /// <summary>What the plan that is being fitted and the chosen draft move besides the height; null where nobody asked.</summary>
    public IReadOnlyList<PlanGeometry>? Geometry { get; init; }

    /// <summary>By how much each corner must rise from where it stands now; empty while nothing was measured.</summary>
    public IReadOnlyList<NeededRise> Needed { get; init; } = [];

    /// <summary>What would make the next prediction better, and by how much.</summary>
    public IReadOnlyList<Sharpening> Sharper { get; init; } = [];

    /// <summary>Proof of every plan whose fitting has begun and after which something was measured.</summary>
    public required IReadOnlyList<PlanProof> Proofs { get; init; }

    /// <summary>Instruments with which something of it was read, and that are doubted.</summary>
    public IReadOnlyList<InstrumentMark> Instruments { get; init; } = [];

    /// <summary>How far the axles of plans came down by 500 miles, where they were read on the way.</summary>
    public IReadOnlyList<JobSettled> Settled { get; init; } = [];

    /// <summary>How it settles since its work; null while it was not read twice after it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Settling? Settling { get; init; }

    /// <summary>What people say how far it came up, beside what was measured.</summary>
    public IReadOnlyList<ToldCompared> Told { get; init; } = [];

    /// <summary>What each change has proved of the lift lines, or why it teaches nothing.</summary>
    public required IReadOnlyList<JobTrial> Trials { get; init; }

    /// <summary>Every stage against the one before it, where both were measured: what each change did.</summary>
    public required IReadOnlyList<Comparison> Chain { get; init; }

    /// <summary>The first stage against the one in which the vehicle is now: what all passes together achieved. Null when one of them was not measured, or nothing was fitted.</summary>
    public required Comparison? SinceFirst { get; init; }
}
