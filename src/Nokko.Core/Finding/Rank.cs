namespace Nokko.Core.Finding;

/// <summary>Where a stack stands in the order.</summary>
/// <remarks>Source: docs/computation/finding.md#chance-and-order: chance in steps of 0.05, the limit that is used most in steps of 0.05, irreversible work, axles opened, hours, cost, ids of parts.</remarks>
/// <param name="Missing">Steps of 0.05 that the chance falls short of certain.</param>
/// <param name="Touched">Pieces that come or go; counted only in a second look.</param>
/// <param name="Share">Steps of 0.05 of the limit that is used most.</param>
/// <param name="Irreversible">Works that cannot be undone.</param>
/// <param name="Opened">Axles opened.</param>
/// <param name="Hours">Hours.</param>
/// <param name="Cost">Price of what comes.</param>
/// <param name="Parts">Ids of the parts, corner by corner; empty stands before all.</param>
public readonly record struct Rank(
    int Missing,
    int Touched,
    int Share,
    int Irreversible,
    int Opened,
    double Hours,
    double Cost,
    string Parts
)
{
    /// <summary>Width of a step of chance and of a limit's share.</summary>
    public const double Step = 0.05;

    /// <summary>Enough of a chance for a second look, in steps short of certain.</summary>
    public const int EnoughMissing = 5;

    /// <summary>Steps that a chance falls short of certain.</summary>
    public static int MissingOf(double chance) => 20 - (int)Math.Floor((chance / Step) + 1e-6);

    /// <summary>Steps of a share.</summary>
    public static int StepsOf(double share) => (int)Math.Floor((share / Step) + 1e-9);

    /// <summary>The order, the best first.</summary>
    public static IComparer<Rank> Order { get; } = Comparer<Rank>.Create(Compare);

    private static int Compare(Rank a, Rank b)
    {
        var by = a.Missing.CompareTo(b.Missing);
        by = by != 0 ? by : a.Touched.CompareTo(b.Touched);
        by = by != 0 ? by : a.Share.CompareTo(b.Share);
        by = by != 0 ? by : a.Irreversible.CompareTo(b.Irreversible);
        by = by != 0 ? by : a.Opened.CompareTo(b.Opened);
        by = by != 0 ? by : a.Hours.CompareTo(b.Hours);
        by = by != 0 ? by : a.Cost.CompareTo(b.Cost);
        return by != 0 ? by : string.CompareOrdinal(a.Parts, b.Parts);
    }
}
