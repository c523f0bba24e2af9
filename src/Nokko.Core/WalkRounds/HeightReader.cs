using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.WalkRounds;

/// <summary>A typed height: what the tape reader made of it, and from which datum it is taken to be.</summary>
/// <param name="Reading">The reading.</param>
/// <param name="From">The datum; another than asked for only when the person said so.</param>
public sealed record HeightReading(TapeReading Reading, Datum From);

/// <summary>Reads a height at a station and asks, never blocks, when it is not what one would expect there.</summary>
/// <remarks>Source: docs/computation/datums.md#datums, "asked about, never blocked".</remarks>
public static class HeightReader
{
    /// <summary>The answer that a height is right as read.</summary>
    public const string AsRead = "asRead";

    private const double AbsurdMm = 3000;

    /// <summary>Reads a height.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="station">The station.</param>
    /// <param name="from">The datum that it is said to have.</param>
    /// <param name="style">Unit of a bare number, and how lengths are shown in questions.</param>
    /// <param name="divisionMm">Smallest division of the tape, mm.</param>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="neighboursMm">Other lips of the same round in the same datum, mm.</param>
    /// <param name="answers">Answers given before: keys of choices, <see cref="AsRead"/>, or a datum's name.</param>
    public static HeightReading Read(
        string? text,
        string station,
        Datum from,
        LengthStyle style,
        double divisionMm,
        Vehicle vehicle,
        IReadOnlyCollection<double> neighboursMm,
        IReadOnlyCollection<string> answers
    )
    {
        var light = vehicle.Kind == VehicleKind.Utv;
        var isLip = Corners.Named(station) is not null;
        var band = isLip ? Datums.LipBand(from, light) : null;
        var called = SpokenPlace.Without(text, station, out var elsewhere);
        if (elsewhere is not null)
        {
            return new HeightReading(new TapeReading.Refused(elsewhere, 0), from);
        }
        var read = TapeReader.Read(
            called,
            new TapeField(style.Unit, divisionMm, band is { } b ? [b] : []),
            answers
        );
        if (read is not TapeReading.Understood height)
        {
            return new HeightReading(read, from);
        }
        if (height.Mm is <= 0 or > AbsurdMm)
        {
            return new HeightReading(
                new TapeReading.Refused(
                    $"{LengthText.Show(height.Mm, style)} cannot be a height on a vehicle.",
                    0
                ),
                from
            );
        }
        if (!isLip || answers.Contains(AsRead))
        {
            return new HeightReading(height, from);
        }
        if (
            Enum.GetValues<Datum>()
                .Cast<Datum?>()
                .FirstOrDefault(d => answers.Contains(Key(d!.Value))) is
            { } said
        )
        {
            return new HeightReading(height, said);
        }
        var right = new TapeChoice(
            AsRead,
            $"{LengthText.Show(height.Mm, style)} from the {Key(from)} is right",
            height.Mm
        );
        if (
            TyreSize.Parse(vehicle.TyreSize) is { } tyre
            && Datums.LooksLike(height.Mm, from, neighboursMm, Datums.Estimate(tyre)) is { } looks
        )
        {
            return new HeightReading(
                new TapeReading.Asked(
                    $"This looks like {Key(looks)} to lip, not {Key(from)} to lip.",
                    [right, new TapeChoice(Key(looks), $"It was from the {Key(looks)}", height.Mm)]
                ),
                from
            );
        }
        return band is { } usual && !usual.Holds(height.Mm)
            ? new HeightReading(
                new TapeReading.Asked(
                    $"{LengthText.Show(height.Mm, style)} is outside what is usual from the {Key(from)} ({LengthText.Show(usual.LowMm, style)} to {LengthText.Show(usual.HighMm, style)}).",
                    [right]
                ),
                from
            )
            : new HeightReading(height, from);
    }

    private static string Key(Datum datum) => datum.ToString().ToLowerInvariant();
}
