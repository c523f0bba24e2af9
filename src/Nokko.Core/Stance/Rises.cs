using System.Text.Json.Serialization;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Stance;

/// <summary>The rise of one station between two walk-rounds.</summary>
/// <param name="Station">Name of the station.</param>
/// <param name="Rise">After minus before, mm.</param>
/// <param name="Decides">Whether a verdict may rest on it.</param>
public sealed record MeasuredRise(string Station, Result Rise, bool Decides)
{
    /// <summary>The part of its standard uncertainty that all rises of the two rounds have in common: load, fuel and people that differ, mm.</summary>
    [JsonIgnore]
    public double SharedU { get; init; }

    /// <summary>The part that comes from the later round's own reading, mm.</summary>
    [JsonIgnore]
    public double AfterU { get; init; }
}

/// <summary>Where a corner's rise came from: the body rose, the springs gave, the tyre did. Each in mm, or why it cannot be told.</summary>
/// <param name="Corner">LF, RF, LR or RR.</param>
/// <param name="Body">Rise of the lip above the floor.</param>
/// <param name="Springs">Rise of the lip above the hub, less that of the body above its frame.</param>
/// <param name="Tyre">Rise of the hub above the floor.</param>
/// <param name="Mounts">Rise of the body above its frame: as read from the frame, else by the pucks and mounts that were changed; null where nothing of it was.</param>
public sealed record CornerMotion(
    Corner Corner,
    Result Body,
    Result Springs,
    Result Tyre,
    Result? Mounts
);

/// <summary>An axle at which nothing was changed between two stages: it should not have moved.</summary>
/// <param name="Axle">front or rear.</param>
/// <param name="Rise">Mean rise of its two lips, mm.</param>
/// <param name="Moved">Whether it moved more than the tape allows.</param>
public sealed record ControlAxle(Axle Axle, Result Rise, bool Moved);

/// <summary>Two walk-rounds compared.</summary>
public sealed record Comparison
{
    /// <summary>The earlier walk-round.</summary>
    public required Guid BeforeId { get; init; }

    /// <summary>The later walk-round.</summary>
    public required Guid AfterId { get; init; }

    /// <summary>Rises by station.</summary>
    public required IReadOnlyList<MeasuredRise> Rises { get; init; }

    /// <summary>The rigid-body check; null when fewer than four stations were read in both.</summary>
    public required RigidBody? Rigid { get; init; }

    /// <summary>Warp of the four corners' rises, mm; its uncertainty is 2u.</summary>
    public required Result Warp { get; init; }

    /// <summary>Body, springs and tyre at every corner.</summary>
    public required IReadOnlyList<CornerMotion> Corners { get; init; }

    /// <summary>Axles that nobody touched between the two stages.</summary>
    public required IReadOnlyList<ControlAxle> Controls { get; init; }

    /// <summary>In what the two rounds were not taken alike; it is in the uncertainties.</summary>
    public required IReadOnlyList<ConditionDifference> Differences { get; init; }

    /// <summary>Why a check is missing or weak.</summary>
    public required IReadOnlyList<string> Notes { get; init; }

    /// <summary>Mean rise of an axle's two lips, mm; what both have in common stays common.</summary>
    /// <param name="axle">front or rear.</param>
    public Result MeanRise(Axle axle) =>
        Lips(axle) is [var left, var right]
            ? Stance.Rises.Sum(
                [(0.5, left), (0.5, right)],
                left.Decides && right.Decides ? Known.Measured : Known.Estimated
            )
            : Result.No(Unit.Mm, $"Both {axle.Said()} lips must be read before and after.");

    /// <summary>Mean rise of all four lips, mm; what they have in common stays common.</summary>
    public Result MeanRise() =>
        Vehicles.Corners.Axles.SelectMany(Lips).ToArray() is { Length: 4 } lips
            ? Stance.Rises.Sum(
                [.. lips.Select(l => (0.25, l))],
                lips.All(l => l.Decides) ? Known.Measured : Known.Estimated
            )
            : Result.No(Unit.Mm, "All four lips must be read before and after.");

    /// <summary>Rises of an axle's lips as far as there are any, left first.</summary>
    /// <param name="axle">front or rear.</param>
    public IReadOnlyList<MeasuredRise> Lips(Axle axle) =>
        [
            .. Vehicles
                .Corners.Of(axle)
                .Select(c =>
                    Rises.FirstOrDefault(r => r.Station == c.Name() && r.Rise.Value is not null)
                )
                .OfType<MeasuredRise>(),
        ];
}

/// <summary>Subtracts walk-rounds, never across datums without saying so.</summary>
/// <remarks>Source: docs/computation/datums.md#datums, docs/computation/uncertainty.md#one-station, docs/computation/rigid-body.md#residuals-and-leave-one-out.</remarks>
public static class Rises
{
    /// <summary>Standard uncertainty in mm of taking the hubs as unmoved while tyre and pressure stay the same.</summary>
    public const double HubsUnmovedUMm = 1;

    /// <summary>Compares two rounds of one vehicle.</summary>
    /// <param name="before">The earlier stance.</param>
    /// <param name="beforeRound">Its walk-round.</param>
    /// <param name="after">The later stance.</param>
    /// <param name="afterRound">Its walk-round.</param>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="untouched">Axles at which nothing was changed between the two, while something was at the other.</param>
    /// <param name="mounts">What pucks and mounts that were changed between the two raise the body over its frame, mm, by corner; null is not known.</param>
    public static Comparison Compare(
        WalkRoundStance before,
        WalkRound beforeRound,
        WalkRoundStance after,
        WalkRound afterRound,
        Vehicle vehicle,
        IReadOnlyCollection<Axle>? untouched = null,
        IReadOnlyDictionary<Corner, Estimate?>? mounts = null
    )
    {
        var (tapes, mixed) = Tapes.Between(before, after);
        IReadOnlyList<ConditionDifference> differences =
            beforeRound.FromDocument || afterRound.FromDocument
                ? []
                :
                [
                    .. ConditionDifferences.Between(beforeRound, afterRound, vehicle),
                    .. tapes is null ? (ConditionDifference[])[] : [tapes],
                ];
        var pair = new Pair(
            before,
            beforeRound,
            after,
            afterRound,
            differences,
            mounts ?? NoMounts,
            mixed
        );
        var read = vehicle
            .Stations.Select(s => s.Name)
            .Where(name => before.At(name) is not null && after.At(name) is not null)
            .Select(pair.Rise)
            .ToArray();
        MeasuredRise[] rises = [.. read.Select(r => r.Rise)];
        List<string> notes =
        [
            .. rises.Select(r => r.Rise.Cannot).OfType<string>(),
            .. differences.Where(d => d.Key != "spot").Select(d => d.Says),
        ];
        if (beforeRound.FromDocument || afterRound.FromDocument)
        {
            notes.Add(
                "One of the two stands in a document and was not measured: it informs and decides nothing."
            );
        }
        var contaminated = before
            .Stations.Where(s => s.Contaminated)
            .Select(s => Corners.Said(s.Station))
            .Distinct()
            .ToArray();
        if (contaminated.Length > 0)
        {
            notes.Add(
                $"No clean baseline at {string.Join(", ", contaminated)}: a part was in already or a corner was raised, so no verdict rests on it."
            );
        }
        var points = read.Where(r => r.Rise.Rise.Value is not null && r.Rise.Decides)
            .Select(r => Point(r.Rise, r.TapeU, before, vehicle))
            .ToArray();
        var rigid = RigidBodyCheck.Fit(points);
        if (rigid is null)
        {
            notes.Add(
                $"A rigid-body check needs four stations read before and after, or three of one side; there {(points.Length == 1 ? "is" : "are")} {points.Length}."
            );
        }
        else if (points.Length == 4)
        {
            notes.Add(
                "Four corners can show a warp but cannot tell which reading made it: read the door handles."
            );
        }
        return new Comparison
        {
            BeforeId = before.WalkRoundId,
            AfterId = after.WalkRoundId,
            Rises = rises,
            Rigid = rigid,
            Warp = WarpOf(rises),
            Corners = [.. Vehicles.Corners.All.Select(pair.Motion)],
            Controls = [.. (untouched ?? []).Select(a => Control(a, rises)).OfType<ControlAxle>()],
            Differences = differences,
            Notes = notes,
        };
    }

    /// <summary>A weighted sum of rises between the same two rounds: readings err each for itself, what the rounds do not have alike shifts all together.</summary>
    /// <remarks>Source: docs/computation/uncertainty.md#shared-errors.</remarks>
    internal static Result Sum(
        IReadOnlyCollection<(double Factor, MeasuredRise Of)> terms,
        Known known = Known.Computed
    )
    {
        var shared = terms.Sum(t => t.Factor * t.Of.SharedU);
        var own = terms.Sum(t =>
            t.Factor * t.Factor * (Math.Pow(t.Of.Rise.Have().Sd, 2) - Math.Pow(t.Of.SharedU, 2))
        );
        return Result.Of(
            terms.Sum(t => t.Factor * t.Of.Rise.Have().Mean),
            Unit.Mm,
            Math.Sqrt(Math.Max(0, own) + (shared * shared)),
            terms.SelectMany(t => t.Of.Rise.RestsOn),
            known
        );
    }

    private static ControlAxle? Control(Axle axle, IReadOnlyList<MeasuredRise> rises)
    {
        var sides = Corners
            .Of(axle)
            .Select(c =>
                rises.FirstOrDefault(r => r.Station == c.Name() && r.Rise.Value is not null)
            )
            .OfType<MeasuredRise>()
            .ToArray();
        if (sides.Length < 2)
        {
            return null;
        }
        var rise = Sum([.. sides.Select(s => (1.0 / sides.Length, s))]);
        var (mm, u) = rise.Have();
        return new ControlAxle(axle, rise, Math.Abs(mm) > 2 * u);
    }

    /// <summary>A rise with its place. A mid station in floor datum beside hub rises is reduced by the hubs' own rise: none on the same tyres.</summary>
    private static StationRise Point(
        MeasuredRise rise,
        double tapeU,
        WalkRoundStance before,
        Vehicle vehicle
    )
    {
        var station = vehicle.Stations.First(s => s.Name == rise.Station);
        var reduced = Corners.Named(rise.Station) is null && before.Datum != Datum.Floor;
        return new StationRise(
            rise.Station,
            station.X.In(Unit.Mm),
            station.Y.In(Unit.Mm),
            rise.Rise.Have().Mean,
            reduced ? Root(tapeU, HubsUnmovedUMm) : tapeU
        );
    }

    private static Result WarpOf(IReadOnlyList<MeasuredRise> rises)
    {
        var corners = Corners
            .All.Select(c =>
                rises.FirstOrDefault(r => r.Station == c.Name() && r.Rise.Value is not null)
            )
            .OfType<MeasuredRise>()
            .ToArray();
        return corners is [var lf, var rf, var lr, var rr]
            ? Sum([(1, lf), (-1, rf), (-1, lr), (1, rr)])
            : Result.No(Unit.Mm, "Warp needs all four corners before and after.");
    }

    private static readonly Dictionary<Corner, Estimate?> NoMounts = [];

    internal static double Root(double a, double b) => Math.Sqrt((a * a) + (b * b));
}
