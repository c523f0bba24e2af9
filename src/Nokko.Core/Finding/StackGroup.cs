using Nokko.Core.Plans;

namespace Nokko.Core.Finding;

/// <summary>Stacks of one axle that lie near each other, with bounds that hold for each of them; or one stack.</summary>
internal sealed class StackGroup
{
    /// <summary>Position of the one stack; −1 for a group.</summary>
    public int Option { get; private init; } = -1;

    public StackGroup? Less { get; private init; }

    public StackGroup? More { get; private init; }

    public bool IsLeaf => Option >= 0;

    public required double[] MeanLow { get; init; }

    public required double[] MeanHigh { get; init; }

    public required double[] VarianceLow { get; init; }

    public required double[] VarianceHigh { get; init; }

    public required double Share { get; init; }

    public required int Touched { get; init; }

    public required int Irreversible { get; init; }

    public required int Opened { get; init; }

    public required int Unsure { get; init; }

    public required double Hours { get; init; }

    public required double Cost { get; init; }

    /// <summary>Least that it takes, as money.</summary>
    public required double Doing { get; init; }

    /// <summary>Widest of its figures as they count, mm.</summary>
    public double Spread { get; private init; }

    /// <summary>Puts stacks into halves, and those into halves, along the figure in which they lie widest apart.</summary>
    /// <param name="options">All stacks of the axle.</param>
    /// <param name="weight">How much each figure counts.</param>
    /// <param name="rate">Money for an hour.</param>
    public static StackGroup Of(List<AxleOption> options, double[] weight, double rate) =>
        Of(options, weight, rate, [.. Enumerable.Range(0, options.Count)], 0, options.Count);

    private static StackGroup Of(
        List<AxleOption> options,
        double[] weight,
        double rate,
        int[] order,
        int from,
        int count
    )
    {
        if (count == 1)
        {
            return One(options[order[from]], order[from], rate);
        }
        // Stryker disable all : along which figure they are halved only decides how much is ruled out at once
        var (figure, widest) = (0, -1.0);
        for (var f = 0; f < StanceOdds.Count; f++)
        {
            var (low, high) = (double.MaxValue, double.MinValue);
            for (var i = from; i < from + count; i++)
            {
                var m = options[order[i]].Mean[f];
                (low, high) = (Math.Min(low, m), Math.Max(high, m));
            }
            var width = weight[f] * (high - low);
            (figure, widest) = width > widest ? (f, width) : (figure, widest);
        }
        var keys = new double[count];
        for (var i = 0; i < count; i++)
        {
            keys[i] = options[order[from + i]].Mean[figure];
        }
        keys.AsSpan().Sort(order.AsSpan(from, count));
        // Stryker restore all
        var half = count / 2;
        return Both(
            Of(options, weight, rate, order, from, half),
            Of(options, weight, rate, order, from + half, count - half),
            widest
        );
    }

    private static StackGroup One(AxleOption o, int position, double rate)
    {
        var variance = new double[StanceOdds.Count];
        for (var f = 0; f < variance.Length; f++)
        {
            variance[f] = o.Covariance[f, f];
        }
        return new StackGroup
        {
            Option = position,
            MeanLow = o.Mean,
            MeanHigh = o.Mean,
            VarianceLow = variance,
            VarianceHigh = variance,
            Share = o.Share,
            Touched = o.Touched,
            Irreversible = o.Irreversible,
            Opened = o.Opened,
            Unsure = o.Unsure,
            Hours = o.Hours,
            Cost = o.Cost,
            Doing = o.Doing(rate),
        };
    }

    private static StackGroup Both(StackGroup a, StackGroup b, double spread)
    {
        var (low, high) = (
            Each(a.MeanLow, b.MeanLow, Math.Min),
            Each(a.MeanHigh, b.MeanHigh, Math.Max)
        );
        return new StackGroup
        {
            Less = a,
            More = b,
            MeanLow = low,
            MeanHigh = high,
            VarianceLow = Each(a.VarianceLow, b.VarianceLow, Math.Min),
            VarianceHigh = Each(a.VarianceHigh, b.VarianceHigh, Math.Max),
            Share = Math.Min(a.Share, b.Share),
            Touched = Math.Min(a.Touched, b.Touched),
            Irreversible = Math.Min(a.Irreversible, b.Irreversible),
            Opened = Math.Min(a.Opened, b.Opened),
            Unsure = Math.Min(a.Unsure, b.Unsure),
            Hours = Math.Min(a.Hours, b.Hours),
            Cost = Math.Min(a.Cost, b.Cost),
            Doing = Math.Min(a.Doing, b.Doing),
            Spread = spread,
        };
    }

    private static double[] Each(double[] a, double[] b, Func<double, double, double> pick)
    {
        var picked = new double[a.Length];
        for (var i = 0; i < a.Length; i++)
        {
            picked[i] = pick(a[i], b[i]);
        }
        return picked;
    }
}
