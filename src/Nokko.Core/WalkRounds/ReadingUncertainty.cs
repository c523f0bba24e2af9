namespace Nokko.Core.WalkRounds;

/// <summary>How the vehicle came to rest before it was measured.</summary>
public enum Settled
{
    /// <summary>Just lowered: reads high, carries no verdict.</summary>
    No,

    /// <summary>Bounced at each end.</summary>
    Bounced,

    /// <summary>Rolled forward and back.</summary>
    Rolled,

    /// <summary>Driven.</summary>
    Driven,
}

/// <summary>The conditions of a reading that its uncertainty depends on.</summary>
/// <param name="Datum">From where.</param>
/// <param name="DivisionMm">Smallest division of the tape in mm.</param>
/// <param name="Settled">How the vehicle came to rest.</param>
/// <param name="HubMarked">Whether the hub centre was marked rather than judged by eye.</param>
/// <param name="FloorSurveyed">Whether the floor under the wheels was surveyed.</param>
/// <param name="LeafSprung">Whether the axle stands on leaf springs, whose friction holds them.</param>
/// <param name="AtWheel">Whether the station is a lip over a wheel; others have no hub to sight.</param>
public sealed record ReadingConditions(
    Datum Datum,
    double DivisionMm,
    Settled Settled,
    bool HubMarked,
    bool FloorSurveyed,
    bool LeafSprung,
    bool AtWheel = true
);

/// <summary>One station's value with the parts of its standard uncertainty, all in mm.</summary>
/// <param name="Mm">The value that counts: the only read, the mean of two, the median of three or more.</param>
/// <param name="Resolution">u_res = a/(2√3).</param>
/// <param name="Repeat">u_rep.</param>
/// <param name="Sight">u_sight: placing the tape's datum end.</param>
/// <param name="Floor">u_floor.</param>
/// <param name="Settle">u_settle.</param>
/// <param name="SpreadMm">Largest minus smallest read.</param>
/// <param name="WantsThird">Whether two reads differ by more than 3 mm and a third is wanted.</param>
public sealed record StationValue(
    double Mm,
    double Resolution,
    double Repeat,
    double Sight,
    double Floor,
    double Settle,
    double SpreadMm,
    bool WantsThird
)
{
    /// <summary>Combined standard uncertainty (k = 1), mm.</summary>
    public double U => Root(Resolution, Repeat, Sight, Floor, Settle);

    /// <summary>The part that stays in a difference on the same spots of the same floor; a marked hub's sighting cancels too.</summary>
    /// <param name="sameFloor">Whether both rounds stood on the same spots.</param>
    /// <param name="markedHub">Whether the hub mark was used in both rounds.</param>
    public double UInDifference(bool sameFloor, bool markedHub) =>
        Root(Resolution, Repeat, markedHub ? 0 : Sight, sameFloor ? 0 : Floor, Settle);

    private static double Root(params ReadOnlySpan<double> parts)
    {
        var sum = 0.0;
        foreach (var part in parts)
        {
            sum += part * part;
        }
        return Math.Sqrt(sum);
    }
}

/// <summary>Uncertainty of a height at one station.</summary>
/// <remarks>Source: docs/computation/uncertainty.md#one-station, after JCGM 100:2008.</remarks>
public static class ReadingUncertainty
{
    /// <summary>Spread in mm above which a third read is asked for (1/8 in).</summary>
    public const double ThirdReadSpreadMm = 3;

    private const double PriorRepeatMm = 0.8;
    private const double PriorReads = 4;

    /// <summary>Combines the reads of one station.</summary>
    /// <param name="readsMm">All reads that stand, in mm; at least one.</param>
    /// <param name="anyNudged">Whether any read was strong or shy, which doubles the resolution term.</param>
    /// <param name="conditions">The conditions.</param>
    /// <exception cref="ArgumentException">No read is given.</exception>
    public static StationValue Combine(
        IReadOnlyCollection<double> readsMm,
        bool anyNudged,
        ReadingConditions conditions
    )
    {
        var n = readsMm.Count;
        if (n == 0)
        {
            throw new ArgumentException("A station needs at least one read.", nameof(readsMm));
        }
        var mean = readsMm.Average();
        var squares = readsMm.Sum(x => (x - mean) * (x - mean));
        var repeat =
            Math.Sqrt(
                ((PriorReads * PriorRepeatMm * PriorRepeatMm) + squares) / (PriorReads - 1 + n)
            ) / Math.Sqrt(n);
        if (n >= 3)
        {
            repeat *= 1.16;
        }
        var spread = readsMm.Max() - readsMm.Min();
        return new StationValue(
            n >= 3 ? Median(readsMm) : mean,
            (anyNudged ? 2 : 1) * conditions.DivisionMm / (2 * Math.Sqrt(3)),
            repeat,
            conditions.Datum == Datum.Hub && conditions.AtWheel && !conditions.HubMarked
                ? 1.5
                : 0.5,
            (conditions.FloorSurveyed, conditions.Datum) switch
            {
                (false, Datum.Floor) => 3,
                (false, _) => 1,
                (true, Datum.Floor) => 0.5,
                (true, _) => 0.2,
            },
            (conditions.Settled, conditions.LeafSprung) switch
            {
                (Settled.No, _) => 6,
                (_, true) => 2,
                _ => 0.5,
            },
            spread,
            n == 2 && spread > ThirdReadSpreadMm
        );
    }

    private static double Median(IReadOnlyCollection<double> values)
    {
        var sorted = values.Order().ToArray();
        var middle = sorted.Length / 2;
        return sorted.Length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    }
}
