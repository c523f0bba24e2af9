using System.Globalization;
using System.Text.RegularExpressions;

namespace Nokko.Core.Vehicles;

/// <summary>A tyre's size as printed on its side.</summary>
/// <param name="DiameterMm">Free outer diameter in mm.</param>
/// <param name="WidthMm">Section width in mm.</param>
/// <param name="RimInches">Rim diameter code in inches.</param>
/// <remarks>Source: docs/computation/geometry.md#tyres.</remarks>
public sealed partial record TyreSize(double DiameterMm, double WidthMm, double RimInches)
{
    [GeneratedRegex(
        @"^(?:P|LT)?(?<w>[0-9]{3})/(?<a>[0-9]{2})\s*Z?R(?<r>[0-9]{2}(?:\.5)?)C?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Metric { get; }

    [GeneratedRegex(
        @"^(?<d>[0-9]{2}(?:\.[0-9]{1,2})?)\s*[x×]\s*(?<w>[0-9]{1,2}(?:\.[0-9]{1,2})?)\s*[-R]\s*(?<r>[0-9]{1,2}(?:\.5)?)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Flotation { get; }

    /// <summary>Reads <c>265/70R17</c>, <c>LT285/70R17</c>, <c>33x12.50R15</c> or <c>25x10-12</c>; null for anything else.</summary>
    public static TyreSize? Parse(string? text)
    {
        var plain = (text ?? "").Trim();
        if (Metric.Match(plain) is { Success: true } m)
        {
            var (width, rim) = (Number(m, "w"), Number(m, "r"));
            return Possible(new((rim * 25.4) + (2 * width * Number(m, "a") / 100), width, rim));
        }
        if (Flotation.Match(plain) is { Success: true } f)
        {
            return Possible(new(Number(f, "d") * 25.4, Number(f, "w") * 25.4, Number(f, "r")));
        }
        return null;
    }

    private static TyreSize? Possible(TyreSize size) =>
        size.RimInches >= 4 && size.DiameterMm > size.RimInches * 25.4 ? size : null;

    private static double Number(Match match, string group) =>
        double.Parse(match.Groups[group].Value, CultureInfo.InvariantCulture);
}
