using System.Globalization;
using Nokko.Core.Tape;
using Nokko.Core.Units;

namespace Nokko.Server.Hosting;

/// <summary>A quantity as typed.</summary>
/// <param name="Typed">The text.</param>
/// <param name="Unit">Unit of the field.</param>
/// <param name="Known">How it is known.</param>
/// <param name="Answers">Answers to questions that the reader asked.</param>
internal sealed record QuantityInput(
    string Typed,
    string Unit,
    Known Known,
    IReadOnlyList<string>? Answers = null
)
{
    /// <summary>Reads a quantity of the kind of <paramref name="kind"/>; null when nothing was typed.</summary>
    /// <exception cref="TroubleException">The text cannot be read, or has another kind of unit.</exception>
    public static Quantity? Read(
        QuantityInput? input,
        string field,
        string kind,
        bool positive = true
    )
    {
        if (input is null || string.IsNullOrWhiteSpace(input.Typed))
        {
            return null;
        }
        if (!UnitTable.SameKind(input.Unit, kind))
        {
            throw new TroubleException(Trouble.At(field, $"“{input.Unit}” is no unit for this."));
        }
        var quantity = input.Unit is "mm" or "in"
            ? ReadLength(input, field)
            : ReadNumber(input, field);
        return positive && quantity.Value <= 0
            ? throw new TroubleException(Trouble.At(field, "This must be above zero."))
            : quantity;
    }

    private static Quantity ReadLength(QuantityInput input, string field)
    {
        var read = TapeReader.Read(
            input.Typed,
            new TapeField(input.Unit, input.Unit == "in" ? 25.4 / 16 : 1, []),
            input.Answers ?? []
        );
        if (read is not TapeReading.Understood length)
        {
            throw new TroubleException(Trouble.Of(field, read));
        }
        return Make(input, UnitTable.Convert(length.Mm, "mm", length.Unit), length.Unit);
    }

    private static Quantity ReadNumber(QuantityInput input, string field) =>
        double.TryParse(
            input.Typed.Trim().Replace(',', '.'),
            NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
            CultureInfo.InvariantCulture,
            out var value
        )
        && Math.Abs(value) < 1e7
            ? Make(input, value, input.Unit)
            : throw new TroubleException(
                Trouble.At(
                    field,
                    $"“{input.Typed.Trim()}” is no number. Write it like 118 or 118.5."
                )
            );

    private static Quantity Make(QuantityInput input, double value, string unit) =>
        new()
        {
            Value = value,
            Unit = unit,
            Known = input.Known,
            Typed = input.Typed,
        };
}
