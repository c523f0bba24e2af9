namespace Nokko.Core.Finding;

/// <summary>By what found stacks are ordered.</summary>
public enum SearchOrder
{
    /// <summary>Least expected cost of getting there: parts, hours, and another try if it misses.</summary>
    LeastCost,

    /// <summary>Surest first.</summary>
    Surest,

    /// <summary>Least work among those that are sure enough.</summary>
    LeastWork,

    /// <summary>Least money among those that are sure enough.</summary>
    LeastMoney,

    /// <summary>Fewest axles opened among those that are sure enough.</summary>
    FewestAxles,

    /// <summary>Nothing cut that cannot be undone, among those that are sure enough.</summary>
    NothingCut,

    /// <summary>Fewest pieces touched among those that are sure enough: a second look at a job.</summary>
    FewestTouched,
}

/// <summary>Where a stack stands in the order.</summary>
/// <remarks>Source: docs/computation/finding.md#chance-and-order.</remarks>
/// <param name="Missing">Steps of 0.05 that the chance falls short of certain.</param>
/// <param name="Expected">Expected cost of getting there, money: doing it, and another try if it misses.</param>
/// <param name="Touched">Pieces that come or go.</param>
/// <param name="Share">Steps of 0.05 of the limit that is used most.</param>
/// <param name="Irreversible">Works that cannot be undone.</param>
/// <param name="Opened">Axles opened.</param>
/// <param name="Hours">Hours.</param>
/// <param name="Cost">Price of what comes; what has none costs the median of its kind.</param>
/// <param name="Parts">Ids of the parts, corner by corner; empty stands before all.</param>
/// <param name="Unsure">1 where nobody knows of a part that comes whether it fits, else 0.</param>
public readonly record struct Rank(
    int Missing,
    double Expected,
    int Touched,
    int Share,
    int Irreversible,
    int Opened,
    double Hours,
    double Cost,
    string Parts,
    int Unsure = 0
)
{
    /// <summary>Width of a step of chance and of a limit's share.</summary>
    public const double Step = 0.05;

    /// <summary>Sure enough, in steps short of certain: where something else orders, surer than this does not count.</summary>
    public const int EnoughMissing = 5;

    /// <summary>Steps that a chance falls short of certain.</summary>
    public static int MissingOf(double chance) => 20 - (int)Math.Floor((chance / Step) + 1e-6);

    /// <summary>Steps of a share.</summary>
    public static int StepsOf(double share) => (int)Math.Floor((share / Step) + 1e-9);

    /// <summary>An order, the best first.</summary>
    /// <param name="order">By what.</param>
    /// <param name="knownFirst">Whether all that is known to fit stands before what is not; else that parts equals only.</param>
    public static IComparer<Rank> By(SearchOrder order, bool knownFirst = false) =>
        By(knownFirst ? [Fits, .. Named(order)] : [.. Named(order), Fits]);

    /// <summary>Whatever is known to fit first, and of that what is sure enough.</summary>
    internal static IComparer<Rank> KnownAndSure() => By([Fits, SureEnough]);

    private static Comparer<Rank> By((string Name, Func<Rank, double> Of)[] named)
    {
        var keys = named.Select(n => n.Of).ToArray();
        return Comparer<Rank>.Create(
            (a, b) =>
            {
                foreach (var key in keys)
                {
                    var by = key(a).CompareTo(key(b));
                    if (by != 0)
                    {
                        return by;
                    }
                }
                return string.CompareOrdinal(a.Parts, b.Parts);
            }
        );
    }

    /// <summary>Whether an order looks at a chance only by its step.</summary>
    /// <param name="order">The order.</param>
    public static bool BySteps(SearchOrder order) => order != SearchOrder.LeastCost;

    /// <summary>What an order compares, the first thing first, each by its name; then ids of parts.</summary>
    /// <param name="order">The order.</param>
    /// <exception cref="ArgumentOutOfRangeException">It is no order.</exception>
    internal static (string Name, Func<Rank, double> Of)[] Named(SearchOrder order) =>
        order switch
        {
            SearchOrder.LeastCost =>
            [
                (nameof(Expected), r => r.Expected),
                (nameof(Irreversible), r => r.Irreversible),
                (nameof(Opened), r => r.Opened),
                (nameof(Share), r => r.Share),
            ],
            SearchOrder.Surest => [Sure, .. Then],
            SearchOrder.LeastWork => [SureEnough, ByHours, ByCost, .. Then],
            SearchOrder.LeastMoney => [SureEnough, ByCost, ByHours, .. Then],
            SearchOrder.FewestAxles => [SureEnough, ByOpened, Sure, .. Then],
            SearchOrder.NothingCut => [SureEnough, ByCuts, Sure, .. Then],
            SearchOrder.FewestTouched => [SureEnough, (nameof(Touched), r => r.Touched), .. Then],
            _ => throw new ArgumentOutOfRangeException(nameof(order), order, "No such order."),
        };

    private static (string, Func<Rank, double>) Fits { get; } = (nameof(Unsure), r => r.Unsure);

    private static (string, Func<Rank, double>) Sure { get; } = (nameof(Missing), r => r.Missing);

    private static (string, Func<Rank, double>) SureEnough { get; } =
        (nameof(Missing), r => Math.Max(r.Missing, EnoughMissing));

    private static (string, Func<Rank, double>) ByCuts { get; } =
        (nameof(Irreversible), r => r.Irreversible);

    private static (string, Func<Rank, double>) ByOpened { get; } = (nameof(Opened), r => r.Opened);

    private static (string, Func<Rank, double>) ByHours { get; } = (nameof(Hours), r => r.Hours);

    private static (string, Func<Rank, double>) ByCost { get; } = (nameof(Cost), r => r.Cost);

    private static (string, Func<Rank, double>)[] Then { get; } =
    [(nameof(Share), r => r.Share), ByCuts, ByOpened, ByHours, ByCost];
}
