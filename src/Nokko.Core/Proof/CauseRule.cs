namespace Nokko.Core.Proof;

/// <summary>What is thought of a kind of cause before anything is read, and what its check can tell: rules of thumb.</summary>
/// <remarks>Source: docs/computation/causes.md#priors, docs/computation/causes.md#checks.</remarks>
/// <param name="Share">Its chance before anything was read, over all places where it can be, 0 … 1.</param>
/// <param name="Mean">Its amount before anything was read, mm, up above zero.</param>
/// <param name="Sd">Standard deviation of that, mm.</param>
/// <param name="Sees">Chance that its check finds it where it is, 0 … 1; 0 where nothing checks it.</param>
/// <param name="Cries">Chance that its check finds it where it is not, 0 … 1.</param>
/// <param name="Minutes">Usual minutes of the check.</param>
/// <param name="ByReading">Whether readings are its outcome: the check is to read again.</param>
/// <param name="MendHours">Hours to put it right once it is found, beyond the check.</param>
/// <param name="Stays">Chance that a second pass lands where this is the cause and nobody found it: what stays is counted on by what came, what goes away, or is found later, spoils it, 0 … 1.</param>
public sealed record CauseRule(
    double Share,
    double Mean,
    double Sd,
    double Sees,
    double Cries,
    int Minutes,
    bool ByReading,
    double MendHours,
    double Stays
)
{
    /// <summary>Share of springs that nobody rolled or drove to rest.</summary>
    public const double ShareUnrolled = 0.25;

    /// <summary>Share of rubber that was made final hanging, in writing.</summary>
    public const double ShareHanging = 0.25;

    /// <summary>Share of another load in the vehicle where the two rounds say so.</summary>
    public const double ShareOtherCargo = 0.15;

    /// <summary>Distance after which springs have taken their set, km: 100 miles.</summary>
    public const double SettledKm = 161;

    /// <summary>What is left of the chance of a slip where a station was read twice and both agree.</summary>
    public const double ReadTwice = 0.1;

    /// <summary>Minutes that it takes to have the vehicle back after 100 miles and read it again.</summary>
    public const int ComesBackMinutes = 45;

    /// <summary>The rule of a kind.</summary>
    /// <param name="kind">The kind.</param>
    /// <exception cref="ArgumentOutOfRangeException">It is no kind of cause.</exception>
    public static CauseRule Of(CauseKind kind) =>
        kind switch
        {
            CauseKind.Nothing => new(0.45, 0, 0, 0, 0, 0, false, 0, 1),
            CauseKind.NotSettled => new(0.08, 6, 4, 0.9, 0.05, 10, true, 0, 0),
            CauseKind.TightenedHanging => new(0.04, 5, 3, 0.9, 0.05, 35, false, 0, 0),
            CauseKind.LiftLine => new(0.12, 0, 0, 0, 0, 0, false, 0, 1),
            CauseKind.OtherLoad => new(0.06, -10, 15, 0.8, 0.1, 25, false, 0, 1),
            CauseKind.SaggedMore => new(0.04, 10, 10, 0.7, 0.1, 10, false, 0, 1),
            CauseKind.NotSeated => new(0.05, 8, 5, 0.95, 0.02, 10, false, 1.5, 0),
            CauseKind.SidesSwapped => new(0.01, 0, 0, 0.99, 0.01, 5, false, 2, 0),
            CauseKind.Slip => new(0.06, 0, 15, 0.95, 0.03, 3, true, 0, 0),
            CauseKind.TyreLow => new(0.02, -6, 4, 0.95, 0.03, 5, false, 0.25, 0),
            CauseKind.MountCrushed => new(0.01, -8, 5, 0.85, 0.05, 15, false, 1.5, 0),
            CauseKind.OtherCargo => new(0.02, 0, 8, 0.9, 0.05, 10, true, 0, 0),
            CauseKind.Other => new(0.04, 0, 15, 0.5, 0.02, 30, false, 1, 0.5),
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No cause."),
        };

    /// <summary>Whether something checks it.</summary>
    public bool HasCheck => Sees > 0;

    /// <summary>Confirmed causes that weigh as much as what was thought before.</summary>
    private const double AsMuchAs = 20;

    /// <summary>Least share of what was thought before that is left of it, however often other causes were it.</summary>
    private const double Floor = 0.25;

    /// <summary>By what a shop's confirmed causes multiply the share of a kind.</summary>
    /// <remarks>Source: docs/computation/causes.md#what-the-shop-confirmed.</remarks>
    /// <param name="kind">The kind.</param>
    /// <param name="confirmed">How often each kind was found by its check.</param>
    public static double Learned(CauseKind kind, IReadOnlyDictionary<CauseKind, int> confirmed)
    {
        var own = Of(kind);
        var checkedKinds = Enum.GetValues<CauseKind>().Where(k => Of(k).HasCheck).ToArray();
        var all = checkedKinds.Sum(k => confirmed.GetValueOrDefault(k));
        if (!own.HasCheck || all == 0)
        {
            return 1;
        }
        var mass = checkedKinds.Sum(k => Of(k).Share);
        return Math.Max(
            Floor,
            (AsMuchAs + (confirmed.GetValueOrDefault(kind) * mass / own.Share)) / (AsMuchAs + all)
        );
    }
}
