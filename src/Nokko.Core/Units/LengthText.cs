using System.Globalization;

namespace Nokko.Core.Units;

/// <summary>How a person reads lengths: inches in tape fractions, or whole millimetres.</summary>
/// <param name="Unit">"in" or "mm".</param>
/// <param name="Denominator">The smallest tape division in inches, as its denominator: 8, 16, 32 or 64. Ignored for mm.</param>
public sealed record LengthStyle(Unit Unit, int Denominator)
{
    /// <summary>Inches to the sixteenth.</summary>
    public static LengthStyle Inches { get; } = new(Unit.Inch, 16);

    /// <summary>Whole millimetres.</summary>
    public static LengthStyle Millimetres { get; } = new(Unit.Mm, 1);

    /// <summary>How somebody reads lengths who has chosen a unit by its symbol: whole millimetres, or inches for anything else.</summary>
    public static LengthStyle Of(string symbol) => symbol == Unit.Mm.Symbol ? Millimetres : Inches;

    /// <summary>The division in mm.</summary>
    public double DivisionMm => Unit == Unit.Inch ? 25.4 / Denominator : 1;
}

/// <summary>Lengths as a tape shows them: nearest division, reduced, or whole mm.</summary>
public static class LengthText
{
    /// <summary>A height or a thickness, for example <c>35 1/2 in</c> or <c>902 mm</c>.</summary>
    public static string Show(double mm, LengthStyle style)
    {
        // Adding zero turns a negative zero into a plain one.
        var divisions = Math.Round(mm / style.DivisionMm, MidpointRounding.AwayFromZero) + 0.0;
        return Divisions(divisions, style);
    }

    /// <summary>An expanded uncertainty, rounded up to the division.</summary>
    public static string ShowUp(double mm, LengthStyle style) =>
        // Rounding noise in the last bits must not cost a whole division.
        Divisions(Math.Ceiling((mm / style.DivisionMm) - 1e-9), style);

    /// <summary>Both ways, for sentences that everybody reads: <c>5/8 in (16 mm)</c>.</summary>
    public static string Both(double mm) =>
        $"{Show(mm, LengthStyle.Inches)} ({Show(mm, LengthStyle.Millimetres)})";

    private static string Divisions(double count, LengthStyle style)
    {
        if (style.Unit != Unit.Inch)
        {
            return count.ToString("0", CultureInfo.InvariantCulture) + " mm";
        }
        var sign = count < 0 ? "-" : "";
        var whole = (long)Math.Abs(count) / style.Denominator;
        var numerator = (long)Math.Abs(count) % style.Denominator;
        var denominator = (long)style.Denominator;
        while (numerator > 0 && numerator % 2 == 0)
        {
            (numerator, denominator) = (numerator / 2, denominator / 2);
        }
        var fraction = numerator == 0 ? "" : $"{numerator}/{denominator}";
        var number = (whole, fraction) switch
        {
            (0, "") => "0",
            (0, _) => fraction,
            (_, "") => whole.ToString(CultureInfo.InvariantCulture),
            _ => $"{whole} {fraction}",
        };
        return $"{sign}{number} in";
    }
}
