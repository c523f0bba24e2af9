using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>Who says how far it came up.</summary>
public enum ToldBy
{
    /// <summary>The owner.</summary>
    Owner,

    /// <summary>The maker of the parts, or what stands on the box.</summary>
    Maker,

    /// <summary>Another shop.</summary>
    AnotherShop,

    /// <summary>Somebody else.</summary>
    SomebodyElse,
}

/// <summary>How far somebody says that an axle came up. Told, it informs and decides nothing.</summary>
public sealed record ToldGain
{
    /// <summary>Standard uncertainty of what people say, mm: they say it in half inches.</summary>
    public const double UMm = 6;

    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>front or rear.</summary>
    public required Axle Axle { get; init; }

    /// <summary>By how much; below zero came down.</summary>
    public required Quantity Gain { get; init; }

    /// <summary>Who says so.</summary>
    public required ToldBy By { get; init; }
}

/// <summary>What was told beside what was measured.</summary>
/// <param name="ToldId">What was told.</param>
/// <param name="Measured">What all passes together raised that axle by, mm; or why that is not known.</param>
/// <param name="Agrees">Whether both can be true; null where nothing was measured.</param>
public sealed record ToldCompared(Guid ToldId, Result Measured, bool? Agrees)
{
    /// <summary>Compares what was told with what was measured.</summary>
    /// <param name="told">What was told.</param>
    /// <param name="since">The job's first stage against now; null when one of them was not measured.</param>
    public static ToldCompared Of(ToldGain told, Comparison? since)
    {
        var measured =
            since?.MeanRise(told.Axle)
            ?? Result.No(Unit.Mm, "Not measured before and after: nobody can tell.");
        return new(
            told.Id,
            measured,
            measured.Found is { } found
                ? Math.Abs(found.Mean - told.Gain.In(Unit.Mm))
                    <= 2
                        * Math.Sqrt(
                            (found.Sd * found.Sd)
                                + Math.Pow(told.Gain.UIn(Unit.Mm, ToldGain.UMm), 2)
                        )
                : null
        );
    }
}
