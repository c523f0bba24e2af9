using System.Globalization;

namespace Nokko.Core.Units;

/// <summary>Results and chances as they are read.</summary>
public static class ResultText
{
    /// <summary>A length, angle or plain number with its ± at k = 2; why it is not known otherwise.</summary>
    /// <param name="result">What was measured or computed.</param>
    /// <param name="lengths">How lengths are written.</param>
    /// <param name="change">Whether it is a change, with its sign.</param>
    public static string Said(this Result result, LengthStyle lengths, bool change = false)
    {
        if (result.Value is not { } value)
        {
            return result.Cannot ?? "not known";
        }
        var sign =
            value < 0 ? "−"
            : change ? "+"
            : "";
        var (amount, u) = (Math.Abs(value), result.U);
        if (result.Unit.SameKind(Unit.Mm))
        {
            var mm = result.Unit.To(Unit.Mm, amount);
            var shown = LengthText.Show(mm, lengths);
            // Nothing is neither above nor below itself.
            var said = mm < lengths.DivisionMm / 2 ? shown : sign + shown;
            return u is null
                ? said
                : $"{said} ± {LengthText.ShowUp(2 * result.Unit.To(Unit.Mm, u.Value), lengths)}";
        }
        var unit =
            result.Unit == Unit.One ? ""
            : result.Unit == Unit.Degree ? "°"
            : $" {result.Unit.Symbol}";
        var number = amount.ToString("0.0", CultureInfo.InvariantCulture);
        return (number == "0.0" ? "" : sign)
            + (
                u is null
                    ? number + unit
                    : $"{number} ± {(Math.Ceiling(20 * u.Value - 1e-9) / 10).ToString("0.0", CultureInfo.InvariantCulture)}{unit}"
            );
    }

    /// <summary>A chance as a fitter says it: 58 in 100.</summary>
    /// <param name="chance">The chance, 0 … 1.</param>
    public static string Odds(double chance) =>
        chance >= 0.995 ? "as good as sure"
        : chance < 0.005 ? "next to none"
        : string.Create(CultureInfo.InvariantCulture, $"{100 * chance:0} in 100");
}
