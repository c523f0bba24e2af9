using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Stance;

/// <summary>Computes a stance from readings.</summary>
/// <remarks>Source: docs/computation/frame.md#frame-and-signs, docs/computation/datums.md#datums, docs/computation/uncertainty.md#one-station.</remarks>
public static class StanceOf
{
    /// <summary>Standard uncertainty of a height from a document, mm: vehicles of one sort leave the works about a quarter of an inch apart. A rule of thumb.</summary>
    public const double DocumentUMm = 6;

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
        Reading[] standing = [.. Standing(round, readings).Select(AsItWas)];
        var unused = new List<UnusedReading>();
        var heights = new List<Reading>();
        foreach (var reading in standing.Where(r => r.Kind == ReadingKind.Height && !r.Skipped))
        {
            if (WhyUnused(reading, round) is { } why)
            {
                unused.Add(new UnusedReading(reading.Id, why));
            }
            else
            {
                heights.Add(reading);
            }
        }
        var order = vehicle.Stations.Select(s => s.Name).ToList();
        var floor = FloorSurvey.Of(round, vehicle);
        var stations = heights
            .GroupBy(r => (Station: r.Place.Name!, Datum: r.From ?? round.Datum, r.OwnMark))
            .OrderBy(g => order.IndexOf(g.Key.Station))
            .ThenBy(g => g.Key.Datum)
            .ThenBy(g => g.Key.OwnMark, StringComparer.Ordinal)
            .Select(g =>
                Station(g.Key.Station, g.Key.Datum, g.Key.OwnMark, [.. g], round, vehicle, floor)
            )
            .ToArray();
        WheelMeasures[] wheels =
        [
            .. Corners.All.Select(c => WheelMeasures.Of(c, round, standing, vehicle)),
        ];
        var measures = MeasureValues.Of(round, standing, vehicle);
        var stance = new Rows(
            stations
                .Where(s => s.Datum == round.Datum)
                .DistinctBy(s => s.Station)
                .ToDictionary(s => s.Station),
            round.Datum
        );
        var rake = stance.Combine(("LF", -0.5), ("RF", -0.5), ("LR", 0.5), ("RR", 0.5));
        var (leanFront, leanRear) = (
            stance.Combine(("LF", 1), ("RF", -1)),
            stance.Combine(("LR", 1), ("RR", -1))
        );
        return new WalkRoundStance
        {
            WalkRoundId = round.Id,
            StageId = round.StageId,
            Datum = round.Datum,
            Decides =
                !round.FromDocument
                && round.Settled != Settled.No
                && stations.All(s => s.Flags.Count == 0),
            Stations = stations,
            Rake = rake,
            RakeLeft = stance.Combine(("LF", -1), ("LR", 1)),
            RakeRight = stance.Combine(("RF", -1), ("RR", 1)),
            LeanFront = leanFront,
            LeanRear = leanRear,
            AgainstEye =
            [
                .. Corners.Axles.Where(a =>
                    a == Axle.Front
                        ? Contradicts(round.LooksFront, leanFront)
                        : Contradicts(round.LooksRear, leanRear)
                ),
            ],
            Warp = stance.Combine(("LF", 1), ("RR", 1), ("RF", -1), ("LR", -1)),
            BodyAngle = Angle(rake, vehicle.Dimensions.Wheelbase),
            SillAngle = SillAngleOf(stations, measures, vehicle),
            Wheels = wheels,
            Carried = [.. CarriedOf(stations, wheels)],
            Measures = measures,
            Skipped =
            [
                .. standing
                    .Where(r =>
                        r.Skipped
                        && r.Measure is null
                        && r.Place.Name is { } name
                        && stations.All(s => s.Station != name)
                    )
                    .GroupBy(r => r.Place.Name!)
                    .Select(g => new SkippedStation(g.Key, g.Last().Note ?? "no reason given")),
            ],
            Unused = unused,
        };
    }

    /// <summary>A lean that the eye does not miss, mm: a rule of thumb, half an inch.</summary>
    public const double SeenLeanMm = 12.7;

    /// <summary>Whether an axle looks otherwise than it reads: the other side low, or level though it leans so that anybody would see it.</summary>
    private static bool Contradicts(Looks? looks, Result lean)
    {
        if (looks is null || lean is not { Value: { } mm, U: { } u })
        {
            return false;
        }
        return looks switch
        {
            // Positive is left high.
            Looks.LeftLow => mm > 2 * u,
            Looks.RightLow => mm < -2 * u,
            Looks.Level => Math.Abs(mm) - (2 * u) > SeenLeanMm,
            _ => throw new ArgumentOutOfRangeException(nameof(looks), looks, "No such look."),
        };
    }

    /// <summary>Readings of a round that were neither corrected nor taken back.</summary>
    public static IReadOnlyList<Reading> Standing(WalkRound round, IEnumerable<Reading> readings)
    {
        var mine = readings.Where(r => r.WalkRoundId == round.Id).ToArray();
        var takenBack = mine.Where(r => r.IsTakenBack()).ToLookup(r => r.Supersedes!.Value);
        var stands = mine.Where(r => !Void(r)).ToArray();
        var corrected = stands.Select(r => r.Supersedes).OfType<Guid>().ToHashSet();
        return [.. stands.Where(r => !r.IsTakenBack() && !corrected.Contains(r.Id))];

        // What was taken back corrects nothing any more; a taking back may itself be taken back.
        bool Void(Reading r) => takenBack[r.Id].Any(w => !Void(w));
    }

    /// <summary>A reading with the known error of its instrument taken off.</summary>
    private static Reading AsItWas(Reading reading) =>
        reading is { By: { } by, Value: { Known: Known.Measured } value }
        && value.Unit.SameKind(InstrumentRules.UnitOf(by.Kind))
            ? reading with
            {
                Value = by.Corrected(value),
            }
            : reading;

    private static IEnumerable<CarriedHeight> CarriedOf(
        IReadOnlyList<StationHeight> stations,
        IReadOnlyList<WheelMeasures> wheels
    ) =>
        from height in stations
        where Corners.Named(height.Station) is not null
        let radii = wheels.First(w => w.Wheel.Name() == height.Station).Radii
        where radii is not null
        from to in (Datum[])[Datum.Hub, Datum.Floor, Datum.Rim]
        where stations.All(s => s.Station != height.Station || s.Datum != to)
        let taken = height.Height.Have()
        let carried = Datums.Convert(taken.Mean, taken.Sd, height.Datum, to, radii)
        where carried is not null
        select new CarriedHeight(
            height.Station,
            height.Datum,
            to,
            Result.Of(
                carried.Value.Mm,
                Unit.Mm,
                carried.Value.UMm,
                height.Height.RestsOn,
                carried.Value.Decides ? Known.Computed : Known.Estimated
            ),
            carried.Value.Decides
        );

    private static Result SillAngleOf(
        IReadOnlyList<StationHeight> stations,
        IReadOnlyList<MeasureValue> measures,
        Vehicle vehicle
    )
    {
        if (measures.FirstOrDefault(m => m.Measure == WalkRounds.Measures.BodyAngle) is { } gauge)
        {
            return gauge.Value;
        }
        const double degrees = 180 / Math.PI;
        var sides = new List<(double Angle, double U, StationHeight Front, StationHeight Rear)>();
        foreach (var side in (string[])["L", "R"])
        {
            var front = stations.FirstOrDefault(s => s.Station == $"sill {side}F");
            var rear = stations.FirstOrDefault(s =>
                s.Station == $"sill {side}R" && s.Datum == front?.Datum
            );
            if (front is null || rear is null)
            {
                continue;
            }
            var run = X(front) - X(rear);
            if (run <= 0)
            {
                continue;
            }
            var (rise, u) = SharedError.Sum([(1, rear), (-1, front)]).Have();
            sides.Add((Math.Atan2(rise, run) * degrees, u / run * degrees, front, rear));
        }
        return sides.Count == 0
            ? Result.No(
                Unit.Degree,
                "Neither sill was read at both ends, and no angle gauge was laid on it."
            )
            : Result.Of(
                sides.Average(s => s.Angle),
                Unit.Degree,
                Math.Sqrt(sides.Sum(s => s.U * s.U)) / sides.Count,
                sides.SelectMany(s =>
                    (IEnumerable<Guid>)[.. s.Front.Height.RestsOn, .. s.Rear.Height.RestsOn]
                )
            );

        double X(StationHeight s) => vehicle.Stations.First(v => v.Name == s.Station).X.In(Unit.Mm);
    }

    private static string? WhyUnused(Reading reading, WalkRound round)
    {
        if (reading.Value is not { } value)
        {
            return "It has no value.";
        }
        if (reading.Place is not { Kind: PlaceKind.Station, Name: not null })
        {
            return "Nobody noted on which side it was taken, so it enters no sum.";
        }
        return
            value.Known == Known.Measured
            || round.FromDocument
            || (round.Told && value.Known == Known.Told)
            ? null
            : "It was not measured, so it decides nothing.";
    }

    private static StationHeight Station(
        string station,
        Datum datum,
        string? ownMark,
        IReadOnlyList<Reading> reads,
        WalkRound round,
        Vehicle vehicle,
        FloorSurvey? floor
    )
    {
        var atWheel = Corners.Named(station) is not null;
        var value = ReadingUncertainty.Combine(
            [.. reads.Select(r => r.Value!.In(Unit.Mm))],
            reads.Any(r => r.Nudged),
            new ReadingConditions(
                datum,
                round.Division.In(Unit.Mm),
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
        var raised = reads.SelectMany(r => r.RaisedCorners).Distinct().ToArray();
        var changed = reads.SelectMany(r => r.ChangedCorners).Distinct().ToArray();
        if (raised.Length > 0)
        {
            flags.Add($"{Named(raised)} was raised when this was read: it is no baseline.");
        }
        if (changed.Length > 0)
        {
            flags.Add(
                $"A part was already in at the {string.Join(" and ", changed.Select(Corners.Said))} when this was read: it is no baseline."
            );
        }
        var correction =
            vehicle.Stations.FirstOrDefault(s => s.Name == station) is { } place
            && floor is not null
                ? floor.CorrectionMm(place, datum)
                : 0;
        var own = Result.Of(
            value.Mm + correction,
            Unit.Mm,
            round.FromDocument ? DocumentUMm : value.U,
            reads.Select(r => r.Id)
        );
        var tape = SharedError.In(reads, value.Mm);
        var height = new StationHeight(
            station,
            datum,
            tape.On(own),
            value,
            reads.Count,
            flags,
            ownMark,
            correction,
            raised.Length + changed.Length > 0
        );
        return tape == SharedError.None ? height : height with { Own = own, Tape = tape };
    }

    private static string Named(string[] corners)
    {
        var words = string.Join(" and ", corners.Select(Corners.Said));
        return $"The {words}";
    }

    /// <summary>Lips settle with their own axle's springs; mid stations with the worse of the two.</summary>
    private static bool IsLeaf(string station, Vehicle vehicle) =>
        Corners.Named(station) is { } corner
            ? vehicle.SuspensionOf(Corners.AxleOf(corner)).Kind.Rubs()
            : vehicle.Front.Kind.Rubs() || vehicle.Rear.Kind.Rubs();

    private static Result Angle(Result rake, Quantity? wheelbase)
    {
        if (rake.Value is not { } value)
        {
            return Result.No(Unit.Degree, rake.Cannot!);
        }
        if (wheelbase is null)
        {
            return Result.No(Unit.Degree, "The wheelbase is not known.");
        }
        var length = wheelbase.In(Unit.Mm);
        const double degrees = 180 / Math.PI;
        return Result.Of(
            Math.Atan2(value, length) * degrees,
            Unit.Degree,
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
            var there = new List<(double Factor, StationHeight Of)>();
            foreach (var (name, factor) in terms)
            {
                if (!stations.TryGetValue(name, out var station))
                {
                    missing.Add(Corners.Said(name));
                    continue;
                }
                there.Add((factor, station));
            }
            return missing.Count > 0
                ? Result.No(
                    Unit.Mm,
                    $"Not read from the {Said(datum)}: {string.Join(", ", missing)}."
                )
                : SharedError.Sum(there);
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
