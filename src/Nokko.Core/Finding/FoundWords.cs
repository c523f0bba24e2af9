using System.Globalization;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Finding;

/// <summary>Why one found stack stands behind another, in one sentence.</summary>
public static class FoundWords
{
    /// <summary>The first thing in which a stack falls behind the one above it.</summary>
    /// <param name="above">The one above.</param>
    /// <param name="below">The one below.</param>
    /// <param name="rules">By what they are ordered.</param>
    /// <param name="currency">Of the prices; null is none.</param>
    public static string Behind(
        FoundStack above,
        FoundStack below,
        SearchRules rules,
        string? currency
    )
    {
        var (a, b) = (above.Rank, below.Rank);
        // By all else it would stand before it, or beside it.
        if (b.Unsure > a.Unsure && Rank.By(rules.Order).Compare(b with { Unsure = 0 }, a) <= 0)
        {
            return "nobody noted whether each of its parts fits this vehicle";
        }
        if (rules.Order == SearchOrder.LeastCost && Money(b.Expected) != Money(a.Expected))
        {
            var (was, does) = (
                a.Cost + (a.Hours * rules.HourRate),
                b.Cost + (b.Hours * rules.HourRate)
            );
            var dearer =
                Money(does) == Money(was) ? "takes as much"
                : does > was ? $"takes {With(does - was)} more"
                : $"takes {With(was - does)} less";
            var sure =
                InHundred(below.Chance) == InHundred(above.Chance) ? "is as sure"
                : below.Chance < above.Chance
                    ? $"is less sure, {InHundred(below.Chance)} against {InHundred(above.Chance)}"
                : $"is surer, {InHundred(below.Chance)} against {InHundred(above.Chance)}";
            return $"{With(b.Expected)} on the whole against {With(a.Expected)}: it {dearer} and {sure}";
        }
        return Differs(rules.Order, a, b) switch
        {
            nameof(Rank.Missing) =>
                $"less likely to land, {InHundred(below.Chance)} against {InHundred(above.Chance)}",
            nameof(Rank.Touched) => $"touches {b.Touched} pieces against {a.Touched}",
            nameof(Rank.Share) =>
                $"uses more of a limit: {below.Most?.Use.What}, {below.Most?.Corner.Said()}",
            nameof(Rank.Irreversible) => "more work that cannot be undone",
            nameof(Rank.Opened) => "opens another axle",
            nameof(Rank.Hours) => Text($"takes {b.Hours:0.#} h against {a.Hours:0.#} h"),
            nameof(Rank.Cost) => $"costs {With(b.Cost - a.Cost)} more",
            _ => "as good; ordered by part",
        };

        string With(double money) => $"{Money(money)} {currency}".TrimEnd();
    }

    private static string Differs(SearchOrder order, Rank a, Rank b)
    {
        foreach (var (name, key) in Rank.Named(order))
        {
            if (key(a) != key(b))
            {
                return name;
            }
        }
        return nameof(Rank.Parts);
    }

    private static string Money(double money) => Text($"{Math.Max(0, money):0}");

    private static string InHundred(double chance) => Text($"{100 * chance:0} in 100");

    private static string Text(FormattableString text) =>
        text.ToString(CultureInfo.InvariantCulture);
}
