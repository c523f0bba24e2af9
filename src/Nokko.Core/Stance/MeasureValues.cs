using System.Text.Json.Serialization;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Stance;

/// <summary>What a measure gave at one place in one walk-round.</summary>
/// <param name="Measure">Key of the measure; of a derived value its own key: camber, toe, panhardDrop, crossWeight.</param>
/// <param name="Place">LF … RR, front, rear, a lamp, or vehicle.</param>
/// <param name="Value">mm, °, kg, or a plain number.</param>
/// <param name="Reads">Reads that stand; 0 for a derived value.</param>
/// <param name="Says">A derived value in words; null otherwise.</param>
public sealed record MeasureValue(
    string Measure,
    string Place,
    Result Value,
    int Reads,
    string? Says = null
)
{
    /// <summary>The value with the uncertainty that is its own: without what all that was read with its instrument has in common.</summary>
    [JsonIgnore]
    public Result Own
    {
        get => field ?? Value;
        init;
    }

    /// <summary>What it has in common with all that was read with its instrument.</summary>
    [JsonIgnore]
    public SharedError By { get; init; } = SharedError.None;
}

/// <summary>Combines the reads of every measure and derives angles from what tape and square gave.</summary>
/// <remarks>Source: docs/computation/uncertainty.md#one-station, docs/computation/geometry.md#taped-geometry: camber atan(gap/square), toe per wheel asin(total/(2D)), panhard drop body end above axle end.</remarks>
public static class MeasureValues
{
    /// <summary>Standard uncertainty of a digital angle gauge on a clean face, °.</summary>
    public const double AngleGaugeU = 0.15;

    /// <summary>Standard uncertainty of a corner scale as it is read, kg: a rule of thumb.</summary>
    public const double ScaleUKg = 1;

    /// <summary>What right front and left rear carry, of 100, as four scales tell it.</summary>
    public const string CrossWeight = "crossWeight";

    /// <summary>Camber that follows from a square.</summary>
    public const string CamberBySquare = "camber";

    /// <summary>Toe of a wheel that follows from the tape, by its axle.</summary>
    public const string ToeByTape = "toe";

    /// <summary>Drop of a track bar over its run, from what was taped of its ends.</summary>
    public const string TrackBarDrop = "panhardDrop";

    /// <summary>What values are called that follow from measures, by their key.</summary>
    public static IReadOnlyDictionary<string, string> Derived { get; } =
        new Dictionary<string, string>
        {
            [CamberBySquare] = "Camber, from the square",
            [ToeByTape] = "Toe of a wheel, from the tape",
            [TrackBarDrop] = "Panhard drop",
            [CrossWeight] = "Diagonals",
        };

    /// <summary>What a measure, or a value that follows from measures, is called.</summary>
    public static string Said(string key) =>
        Derived.GetValueOrDefault(key)
        ?? Measures.All.FirstOrDefault(m => m.Key == key)?.Title
        ?? key;

    private const double Degrees = 180 / Math.PI;

    /// <summary>Values of every measure that was read in a round, in the order of the catalogue, then what follows from them.</summary>
    /// <param name="round">The round.</param>
    /// <param name="standing">Its readings that stand.</param>
    /// <param name="vehicle">The vehicle.</param>
    public static IReadOnlyList<MeasureValue> Of(
        WalkRound round,
        IReadOnlyList<Reading> standing,
        Vehicle vehicle
    )
    {
        var taken = (
            from measure in Measures.All
            where measure.Kind is not ReadingKind.Note
            from place in Measures.PlacesOf(measure)
            let reads = standing
                .Where(r =>
                    r.Measure == measure.Key
                    && r.Place.Name == place
                    && r.Value is { Known: Known.Measured }
                )
                .ToArray()
            where reads.Length > 0
            select (Reads: reads, Row: Combine(measure, place, reads, round))
        ).ToArray();
        var rows = taken.Select(t => t.Row).ToList();
        rows.AddRange(Camber(taken));
        rows.AddRange(Toe(rows, taken, vehicle));
        rows.AddRange(PanhardDrop(rows));
        rows.AddRange(Diagonals(rows));
        return rows;
    }

    private static MeasureValue Combine(
        Measure measure,
        string place,
        Reading[] reads,
        WalkRound round
    )
    {
        var unit = measure.Unit;
        var values = reads.Select(r => r.Value!.In(unit)).ToArray();
        if (unit != Unit.Mm)
        {
            return With(
                Result.Of(
                    values.Average(),
                    unit,
                    (unit == Unit.Kg ? ScaleUKg : AngleGaugeU) / Math.Sqrt(values.Length),
                    reads.Select(r => r.Id),
                    Known.Measured
                )
            );
        }
        // Gaps and lengths are between two places of the vehicle: no floor and no settling enters them.
        var value = ReadingUncertainty.Combine(
            values,
            reads.Any(r => r.Nudged),
            new ReadingConditions(
                Datum.Rim,
                round.Division.In(Unit.Mm),
                Settled.Rolled,
                false,
                true,
                false
            )
        );
        return With(Result.Of(value.Mm, Unit.Mm, value.U, reads.Select(r => r.Id), Known.Measured));

        MeasureValue With(Result own)
        {
            var by = SharedError.In(reads, own.Have().Mean);
            var value = new MeasureValue(measure.Key, place, by.On(own), reads.Length);
            return by == SharedError.None ? value : value with { Own = own, By = by };
        }
    }

    /// <summary>Values of which a difference or a share is made: what one instrument errs by in all of them goes out of it.</summary>
    private static Result[] Together(params MeasureValue[] values) =>
        [.. values.Select(v => values.All(o => o.By.IsThatOf(values[0].By)) ? v.Own : v.Value)];

    private static IEnumerable<MeasureValue> Camber((Reading[] Reads, MeasureValue Row)[] taken)
    {
        foreach (var (reads, row) in taken.Where(t => t.Row.Measure == Measures.CamberSquare))
        {
            if (reads[^1].Over?.In(Unit.Mm) is not { } over || over <= 0)
            {
                continue;
            }
            var (square, u) = row.Value.Have();
            var degrees = -Math.Atan(square / over) * Degrees;
            yield return new MeasureValue(
                CamberBySquare,
                row.Place,
                Result.Of(degrees, Unit.Degree, u / over * Degrees, row.Value.RestsOn),
                0,
                degrees < 0 ? "top inward" : "top outward"
            );
        }
    }

    private static IEnumerable<MeasureValue> Toe(
        List<MeasureValue> rows,
        (Reading[] Reads, MeasureValue Row)[] taken,
        Vehicle vehicle
    )
    {
        foreach (var axle in Corners.Axles)
        {
            var front = rows.FirstOrDefault(r =>
                r.Measure == Measures.ToeFront && r.Place == axle.Said()
            );
            var rear = rows.FirstOrDefault(r =>
                r.Measure == Measures.ToeRear && r.Place == axle.Said()
            );
            var across =
                taken
                    .FirstOrDefault(t =>
                        t.Row.Measure == Measures.ToeRear && t.Row.Place == axle.Said()
                    )
                    .Reads?[^1].Over?.In(Unit.Mm)
                ?? TyreSize.Parse(vehicle.TyreSize)?.DiameterMm;
            if (front is null || rear is null || across is not > 0)
            {
                continue;
            }
            var apart = Together(rear, front);
            var (total, u) = Result.Sum(Unit.Mm, [(1, apart[0]), (-1, apart[1])]).Have();
            var ratio = total / (2 * across.Value);
            if (Math.Abs(ratio) >= 1)
            {
                continue;
            }
            yield return new MeasureValue(
                ToeByTape,
                axle.Said(),
                Result.Of(
                    Math.Asin(ratio) * Degrees,
                    Unit.Degree,
                    u / (2 * across.Value) / Math.Sqrt(1 - (ratio * ratio)) * Degrees,
                    [.. front.Value.RestsOn, .. rear.Value.RestsOn]
                ),
                0,
                total == 0 ? "parallel"
                    : total > 0 ? "each wheel in"
                    : "each wheel out"
            );
        }
    }

    private static IEnumerable<MeasureValue> Diagonals(List<MeasureValue> rows)
    {
        var weights = Together([
            .. Corners
                .All.Select(c =>
                    rows.FirstOrDefault(r =>
                        r.Measure == Measures.WheelWeight && r.Place == c.Name()
                    )
                )
                .OfType<MeasureValue>(),
        ]);
        if (weights.Length < Corners.All.Count || weights.Any(w => w.Value <= 0))
        {
            yield break;
        }
        var share = Stance.CrossWeight.Share([.. weights.Select(w => w.Have())]);
        yield return new MeasureValue(
            CrossWeight,
            "vehicle",
            Result.Of(share.Mean, Unit.One, share.Sd, weights.SelectMany(w => w.RestsOn)),
            0,
            "of 100 on right front and left rear"
        );
    }

    private static IEnumerable<MeasureValue> PanhardDrop(List<MeasureValue> rows)
    {
        foreach (var axle in Corners.Axles)
        {
            var body = rows.FirstOrDefault(r =>
                r.Measure == Measures.PanhardBody && r.Place == axle.Said()
            );
            var end = rows.FirstOrDefault(r =>
                r.Measure == Measures.PanhardAxle && r.Place == axle.Said()
            );
            if (body is null || end is null)
            {
                continue;
            }
            var apart = Together(body, end);
            var drop = Result.Sum(Unit.Mm, [(1, apart[0]), (-1, apart[1])]);
            yield return new MeasureValue(
                TrackBarDrop,
                axle.Said(),
                drop,
                0,
                drop.Value >= 0 ? "body end higher" : "axle end higher"
            );
        }
    }
}
