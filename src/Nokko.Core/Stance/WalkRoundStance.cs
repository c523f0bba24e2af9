using Nokko.Core.Measuring;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Stance;

/// <summary>The height of one station in one walk-round.</summary>
/// <param name="Station">Name of the station.</param>
/// <param name="Datum">From where it was measured.</param>
/// <param name="Height">The height that counts, mm.</param>
/// <param name="Uncertainty">The parts of its uncertainty.</param>
/// <param name="Reads">Reads that stand.</param>
/// <param name="Flags">What to look at again, in plain sentences.</param>
public sealed record StationHeight(
    string Station,
    Datum Datum,
    Result Height,
    StationValue Uncertainty,
    int Reads,
    IReadOnlyList<string> Flags
);

/// <summary>How the vehicle stands by one walk-round. Lengths in mm; differences carry their signs of computation.md, section 1.</summary>
public sealed record WalkRoundStance
{
    /// <summary>The walk-round.</summary>
    public required Guid WalkRoundId { get; init; }

    /// <summary>Its stage.</summary>
    public required Guid StageId { get; init; }

    /// <summary>Datum of rake, lean and warp: the walk-round's own.</summary>
    public required Datum Datum { get; init; }

    /// <summary>Whether it may carry a verdict: settled, and no station is flagged for another read.</summary>
    public required bool Decides { get; init; }

    /// <summary>Heights, one a station and datum.</summary>
    public required IReadOnlyList<StationHeight> Stations { get; init; }

    /// <summary>Mean rear lip minus mean front lip; positive is nose-down.</summary>
    public required Result Rake { get; init; }

    /// <summary>Rake of the left side alone.</summary>
    public required Result RakeLeft { get; init; }

    /// <summary>Rake of the right side alone.</summary>
    public required Result RakeRight { get; init; }

    /// <summary>Left minus right in front; positive is left high.</summary>
    public required Result LeanFront { get; init; }

    /// <summary>Left minus right at the rear; positive is left high.</summary>
    public required Result LeanRear { get; init; }

    /// <summary>(LF + RR) − (RF + LR).</summary>
    public required Result Warp { get; init; }

    /// <summary>Body angle from the lips, ° nose-down.</summary>
    public required Result BodyAngle { get; init; }

    /// <summary>Readings that were not used, with the reason.</summary>
    public required IReadOnlyList<UnusedReading> Unused { get; init; }

    /// <summary>The height of a station in the round's datum (floor for the mid stations), if it was read.</summary>
    public StationHeight? At(string station) =>
        Stations.FirstOrDefault(s => s.Station == station && s.Datum == Datum)
        ?? Stations.FirstOrDefault(s => s.Station == station);
}

/// <summary>A reading that entered no result.</summary>
/// <param name="ReadingId">The reading.</param>
/// <param name="Why">Why.</param>
public sealed record UnusedReading(Guid ReadingId, string Why);

/// <summary>Computes a stance from readings.</summary>
/// <remarks>Source: computation.md, sections 1, 3 and 4.</remarks>
public static class StanceOf
{
    /// <summary>The stance of one walk-round.</summary>
    /// <param name="round">The walk-round.</param>
    /// <param name="readings">Readings of this and other rounds; only those of this round that stand are used.</param>
    /// <param name="vehicle">The vehicle.</param>
    public static WalkRoundStance Compute(
        WalkRound round,
        IReadOnlyList<Reading> readings,
        Vehicle vehicle
    )
    {
        var mine = readings.Where(r => r.WalkRoundId == round.Id).ToArray();
        var superseded = mine.Where(r => r.Supersedes is not null)
            .Select(r => r.Supersedes!.Value)
            .ToHashSet();
        var unused = new List<UnusedReading>();
        var heights = new List<Reading>();
        foreach (
            var reading in mine.Where(r =>
                r.Kind == ReadingKind.Height && !superseded.Contains(r.Id)
            )
        )
        {
            if (WhyUnused(reading) is { } why)
            {
                unused.Add(new UnusedReading(reading.Id, why));
            }
            else
            {
                heights.Add(reading);
            }
        }
        var order = vehicle.Stations.Select(s => s.Name).ToList();
        var stations = heights
            .GroupBy(r => (Station: r.Place.Name!, Datum: r.From ?? round.Datum))
            .OrderBy(g => order.IndexOf(g.Key.Station))
            .ThenBy(g => g.Key.Datum)
            .Select(g => Station(g.Key.Station, g.Key.Datum, [.. g], round, vehicle))
            .ToArray();
        var stance = new Rows(
            stations.Where(s => s.Datum == round.Datum).ToDictionary(s => s.Station),
            round.Datum
        );
        var rake = stance.Combine(
            (Corners.LF, -0.5),
            (Corners.RF, -0.5),
            (Corners.LR, 0.5),
            (Corners.RR, 0.5)
        );
        return new WalkRoundStance
        {
            WalkRoundId = round.Id,
            StageId = round.StageId,
            Datum = round.Datum,
            Decides = round.Settled != Settled.No && stations.All(s => s.Flags.Count == 0),
            Stations = stations,
            Rake = rake,
            RakeLeft = stance.Combine((Corners.LF, -1), (Corners.LR, 1)),
            RakeRight = stance.Combine((Corners.RF, -1), (Corners.RR, 1)),
            LeanFront = stance.Combine((Corners.LF, 1), (Corners.RF, -1)),
            LeanRear = stance.Combine((Corners.LR, 1), (Corners.RR, -1)),
            Warp = stance.Combine(
                (Corners.LF, 1),
                (Corners.RR, 1),
                (Corners.RF, -1),
                (Corners.LR, -1)
            ),
            BodyAngle = Angle(rake, vehicle.Dimensions.Wheelbase),
            Unused = unused,
        };
    }

    private static string? WhyUnused(Reading reading)
    {
        if (reading.Value is not { } value)
        {
            return "It has no value.";
        }
        if (reading.Place is not { Kind: PlaceKind.Station, Name: not null })
        {
            return "Nobody noted on which side it was taken, so it enters no sum.";
        }
        return value.Known == Known.Measured ? null : "It was not measured, so it decides nothing.";
    }

    private static StationHeight Station(
        string station,
        Datum datum,
        IReadOnlyList<Reading> reads,
        WalkRound round,
        Vehicle vehicle
    )
    {
        var atWheel = Corners.All.Contains(station);
        var value = ReadingUncertainty.Combine(
            [.. reads.Select(r => r.Value!.In("mm"))],
            reads.Any(r => r.Nudged),
            new ReadingConditions(
                datum,
                round.Division.In("mm"),
                round.Settled,
                round.HubMarked,
                round.FloorSurveyed,
                IsLeaf(station, vehicle),
                atWheel
            )
        );
        var flags = new List<string>();
        if (value.WantsThird)
        {
            flags.Add("The two reads differ by more than 1/8 in (3 mm): read it a third time.");
        }
        if (reads.SelectMany(r => r.RaisedCorners).Any())
        {
            flags.Add("A corner was raised when this was read: it is no baseline.");
        }
        if (reads.SelectMany(r => r.ChangedCorners).Any())
        {
            flags.Add("A part was already in at another corner when this was read.");
        }
        return new StationHeight(
            station,
            datum,
            Result.Of(value.Mm, "mm", value.U, reads.Select(r => r.Id)),
            value,
            reads.Count,
            flags
        );
    }

    /// <summary>Lips settle with their own axle's springs; mid stations with the worse of the two.</summary>
    private static bool IsLeaf(string station, Vehicle vehicle) =>
        Corners.All.Contains(station)
            ? vehicle.SuspensionOf(Corners.AxleOf(station)).Kind == SuspensionKind.LeafOverslung
            : vehicle.Front.Kind == SuspensionKind.LeafOverslung
                || vehicle.Rear.Kind == SuspensionKind.LeafOverslung;

    private static Result Angle(Result rake, Quantity? wheelbase)
    {
        if (rake.Value is not { } value)
        {
            return Result.No("°", rake.Cannot!);
        }
        if (wheelbase is null)
        {
            return Result.No("°", "The wheelbase is not known.");
        }
        var length = wheelbase.In("mm");
        const double degrees = 180 / Math.PI;
        return Result.Of(
            Math.Atan2(value, length) * degrees,
            "°",
            rake.U / length * degrees,
            rake.RestsOn
        );
    }

    /// <summary>Sums of heights in one datum.</summary>
    private sealed class Rows(Dictionary<string, StationHeight> stations, Datum datum)
    {
        public Result Combine(params ReadOnlySpan<(string Station, double Factor)> terms)
        {
            var missing = new List<string>();
            var (sum, variance) = (0.0, 0.0);
            var rests = new List<Guid>();
            foreach (var (name, factor) in terms)
            {
                if (!stations.TryGetValue(name, out var station))
                {
                    missing.Add(Corners.Said(name));
                    continue;
                }
                sum += factor * station.Height.Value!.Value;
                variance += factor * factor * station.Height.U!.Value * station.Height.U.Value;
                rests.AddRange(station.Height.RestsOn);
            }
            return missing.Count > 0
                ? Result.No("mm", $"Not read from the {Said(datum)}: {string.Join(", ", missing)}.")
                : Result.Of(sum, "mm", Math.Sqrt(variance), rests);
        }

        private static string Said(Datum datum) =>
            datum switch
            {
                Datum.Hub => "hub",
                Datum.Floor => "floor",
                Datum.Rim => "rim",
                Datum.Frame => "frame",
                _ => "own mark",
            };
    }
}
