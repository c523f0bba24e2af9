using System.Globalization;
using System.Text.RegularExpressions;
using Nokko.Core.Units;

namespace Nokko.Core.Tape;

/// <summary>A quantity as typed.</summary>
/// <param name="Typed">The text.</param>
/// <param name="Unit">Unit of the field.</param>
/// <param name="Known">How it is known.</param>
/// <param name="Answers">Answers to questions that the reader asked.</param>
public sealed partial record QuantityInput(
    string Typed,
    Unit Unit,
    Known Known,
    IReadOnlyList<string>? Answers = null
)
{
    /// <summary>Reads a quantity of the kind of <paramref name="kind"/>; null when nothing was typed.</summary>
    /// <param name="input">What was typed.</param>
    /// <param name="field">Field at which a refusal is said.</param>
    /// <param name="kind">A unit of the kind that is wanted.</param>
    /// <param name="positive">Whether it must be above zero.</param>
    /// <exception cref="RefusedException">The text cannot be read, or has another kind of unit.</exception>
    public static Quantity? Read(
        QuantityInput? input,
        string field,
        Unit kind,
        bool positive = true
    )
    {
        if (input is null || string.IsNullOrWhiteSpace(input.Typed))
        {
            return null;
        }
        if (!input.Unit.SameKind(kind))
        {
            throw Refuse.Value(field, $"“{input.Unit}” is no unit for this.");
        }
        var quantity =
            input.Unit == Unit.Mm || input.Unit == Unit.Inch
                ? ReadLength(input, field, mayBeBelowZero: !positive)
                : ReadNumber(input, field);
        return positive && quantity.Value <= 0
            ? throw Refuse.Value(field, "This must be above zero.")
            : quantity;
    }

    private static Quantity ReadLength(QuantityInput input, string field, bool mayBeBelowZero)
    {
        var read = TapeReader.Read(
            input.Typed,
            new TapeField(input.Unit, input.Unit == Unit.Inch ? 25.4 / 16 : 1, [], mayBeBelowZero),
            input.Answers ?? []
        );
        if (read is not TapeReading.Understood length)
        {
            throw new RefusedException(Refusal.Of(field, read));
        }
        return Make(input, Unit.Mm.To(length.Unit, length.Mm), length.Unit);
    }

    /// <summary>A number, with the field's unit or one of its own behind it.</summary>
    private static Quantity ReadNumber(QuantityInput input, string field)
    {
        var said = input.Typed.Trim();
        var read = Number().Match(said.Replace('−', '-'));
        var unit = read.Groups["unit"].Value is { Length: > 0 } own ? Unit.Said(own) : input.Unit;
        if (!read.Success || unit is null || !unit.SameKind(input.Unit))
        {
            throw Refuse.Value(
                field,
                $"“{said}” is no number here. Write it like 118 or 118.5{(input.Unit == Unit.One ? "" : $", or with its unit: 118 {input.Unit}")}."
            );
        }
        var number = read.Groups["number"].Value;
        if (Unclear().IsMatch(number))
        {
            throw Refuse.Value(
                field,
                $"“{said}” may be {number.Replace(",", "", StringComparison.Ordinal)} or {number.Replace(',', '.')}: write it without the comma."
            );
        }
        number = Thousands().IsMatch(number)
            ? number.Replace(",", "", StringComparison.Ordinal)
            : number.Replace(',', '.');
        return
            double.TryParse(
                number,
                NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
                CultureInfo.InvariantCulture,
                out var value
            )
            && Math.Abs(value) < 1e7
            ? Make(input, value, unit)
            : throw Refuse.Value(field, $"“{said}” is no number. Write it like 118 or 118.5.");
    }

    [GeneratedRegex(@"^(?<number>[-+]?[\d.,]+)\s*(?<unit>[^\d\s].*)?$")]
    private static partial Regex Number();

    // 48,200 is forty-eight thousand to one reader and forty-eight to another.
    [GeneratedRegex(@"^[-+]?[1-9]\d{0,2},\d{3}$")]
    private static partial Regex Unclear();

    [GeneratedRegex(@"^[-+]?[1-9]\d{0,2}(,\d{3}){1,}\.\d+$|^[-+]?[1-9]\d{0,2}(,\d{3}){2,}$")]
    private static partial Regex Thousands();

    private static Quantity Make(QuantityInput input, double value, Unit unit) =>
        new()
        {
            Value = value,
            Unit = unit,
            Known = input.Known,
            Typed = input.Typed,
        };
}

/// <summary>Words as typed.</summary>
public static class TypedText
{
    private const int Most = 200;
    private const int MostOfLong = 2_000;

    /// <summary>The text without blanks around it; null when nothing is left.</summary>
    public static string? Blank(string? text) =>
        string.IsNullOrWhiteSpace(text) ? null : text.Trim();

    /// <summary>A text of one line that may be left out.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="field">Field at which a refusal is said.</param>
    /// <exception cref="RefusedException">It is longer than 200 characters.</exception>
    public static string? Line(string? text, string field) =>
        Blank(text) is { Length: > Most }
            ? throw Refuse.Value(field, "That is too long: 200 characters at most.")
            : Blank(text);

    /// <summary>A text that must be there.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="field">Field at which a refusal is said.</param>
    /// <param name="question">What is asked when it is missing.</param>
    /// <exception cref="RefusedException">It is missing or longer than 200 characters.</exception>
    public static string Needed(string? text, string field, string question) =>
        Line(text, field) ?? throw Refuse.Value(field, question);

    /// <summary>A text of some lines that may be left out.</summary>
    /// <exception cref="RefusedException">It is longer than 2,000 characters.</exception>
    public static string? Lines(string? text, string field) =>
        Blank(text) is { Length: > MostOfLong }
            ? throw Refuse.Value(field, "That is too long: 2,000 characters at most.")
            : Blank(text);
}
