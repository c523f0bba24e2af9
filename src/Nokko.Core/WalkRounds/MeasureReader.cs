using System.Globalization;
using Nokko.Core.Tape;
using Nokko.Core.Units;

namespace Nokko.Core.WalkRounds;

/// <summary>A typed value of a measure: understood in its unit, asked about, or refused.</summary>
/// <param name="Value">The value, or null when <see cref="Trouble"/> says why not.</param>
/// <param name="Nudged">Whether a tape was read strong or shy.</param>
/// <param name="Trouble">The question or the refusal.</param>
public sealed record MeasuredText(Quantity? Value, bool Nudged, TapeReading? Trouble);

/// <summary>Reads what was typed for a measure and asks, never blocks, when it is unusual.</summary>
public static class MeasureReader
{
    /// <summary>Reads a text.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="measure">The measure; not a note.</param>
    /// <param name="style">Unit of a bare length, and how lengths are shown in questions.</param>
    /// <param name="divisionMm">Smallest division of the tape, mm.</param>
    /// <param name="answers">Answers given before.</param>
    /// <exception cref="ArgumentException">The measure is a note.</exception>
    public static MeasuredText Read(
        string? text,
        Measure measure,
        LengthStyle style,
        double divisionMm,
        IReadOnlyCollection<string> answers
    ) =>
        measure.Kind switch
        {
            ReadingKind.Gap or ReadingKind.Length => Length(
                text,
                measure,
                style,
                divisionMm,
                answers
            ),
            ReadingKind.Angle => Angle(text, measure, answers),
            ReadingKind.Load => Load(text, measure, style, answers),
            _ => throw new ArgumentException("Words are not read.", nameof(measure)),
        };

    private static MeasuredText Length(
        string? text,
        Measure measure,
        LengthStyle style,
        double divisionMm,
        IReadOnlyCollection<string> answers
    )
    {
        var read = TapeReader.Read(
            text,
            new TapeField(style.Unit, divisionMm, [], MayBeBelowZero: measure.MayBeBelowZero),
            answers
        );
        if (read is not TapeReading.Understood length)
        {
            return new MeasuredText(null, false, read);
        }
        return Ask(length.Mm, measure, answers, x => LengthText.Show(x, style)) is { } question
            ? new MeasuredText(null, false, question)
            : new MeasuredText(
                new Quantity
                {
                    Value = Unit.Mm.To(length.Unit, length.Mm),
                    Unit = length.Unit,
                    Known = Known.Measured,
                    Typed = text,
                },
                length.Nudged,
                null
            );
    }

    private static MeasuredText Angle(
        string? text,
        Measure measure,
        IReadOnlyCollection<string> answers
    )
    {
        var plain = (text ?? "").Trim().TrimEnd('°').TrimEnd().Replace('−', '-').Replace(',', '.');
        if (
            !double.TryParse(
                plain,
                NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
                CultureInfo.InvariantCulture,
                out var degrees
            ) || !(Math.Abs(degrees) <= 90)
        )
        {
            return new MeasuredText(
                null,
                false,
                new TapeReading.Refused("Write an angle in degrees, for example 3.5 or -0.5.", 0)
            );
        }
        return
            Ask(
                degrees,
                measure,
                answers,
                x => x.ToString("0.0", CultureInfo.InvariantCulture) + Unit.Degree
            )
                is { } question
            ? new MeasuredText(null, false, question)
            : new MeasuredText(
                new Quantity
                {
                    Value = degrees,
                    Unit = Unit.Degree,
                    Known = Known.Measured,
                    Typed = text,
                },
                false,
                null
            );
    }

    private static MeasuredText Load(
        string? text,
        Measure measure,
        LengthStyle style,
        IReadOnlyCollection<string> answers
    )
    {
        var plain = (text ?? "").Trim();
        var unit = style.Unit == Unit.Inch ? Unit.Lb : Unit.Kg;
        foreach (
            var (said, of) in ((string, Unit)[])[("kg", Unit.Kg), ("lbs", Unit.Lb), ("lb", Unit.Lb)]
        )
        {
            if (plain.EndsWith(said, StringComparison.OrdinalIgnoreCase))
            {
                (unit, plain) = (of, plain[..^said.Length].TrimEnd());
                break;
            }
        }
        if (
            !double.TryParse(
                plain.Replace(',', '.'),
                NumberStyles.AllowDecimalPoint,
                CultureInfo.InvariantCulture,
                out var weight
            ) || !(weight is > 0 and < 1e5)
        )
        {
            return new MeasuredText(
                null,
                false,
                new TapeReading.Refused("Write a weight, for example 560 kg or 1235 lb.", 0)
            );
        }
        return
            Ask(
                unit.To(Unit.Kg, weight),
                measure,
                answers,
                x => FormattableString.Invariant($"{Unit.Kg.To(unit, x):0} {unit}")
            )
                is { } question
            ? new MeasuredText(null, false, question)
            : new MeasuredText(
                new Quantity
                {
                    Value = weight,
                    Unit = unit,
                    Known = Known.Measured,
                    // Read again by somebody with other units, a bare number would be another weight.
                    Typed = $"{plain} {unit}",
                },
                false,
                null
            );
    }

    private static TapeReading.Asked? Ask(
        double value,
        Measure measure,
        IReadOnlyCollection<string> answers,
        Func<double, string> show
    ) =>
        (value >= measure.Low && value <= measure.High) || answers.Contains(HeightReader.AsRead)
            ? null
            : new TapeReading.Asked(
                $"{show(value)} is outside what is usual here ({show(measure.Low)} to {show(measure.High)}).",
                [new TapeChoice(HeightReader.AsRead, $"{show(value)} is right", value)]
            );
}
