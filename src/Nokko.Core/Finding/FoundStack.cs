using Nokko.Core.Plans;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Finding;

/// <summary>A stack that was found.</summary>
/// <param name="Plan">What would stand at every corner.</param>
/// <param name="Chance">Chance that it lands within what is wanted, to 1e-4.</param>
/// <param name="Rank">Where it stands in the order.</param>
/// <param name="Most">The limit that is used most, with its corner; null when none is known.</param>
/// <param name="Irreversible">Works that cannot be undone, in a fitter's words.</param>
/// <param name="Hours">Hours to fit what comes.</param>
/// <param name="HoursGuessed">Whether some of them are a rule of thumb.</param>
/// <param name="MoneyGuessed">Whether the price of a part is the median of its kind.</param>
/// <param name="Expected">Hours and money on the whole, with another try if it misses.</param>
/// <param name="Again">What another try takes.</param>
/// <param name="ToBuy">Names of parts that are not on the shelf, with how many.</param>
/// <param name="Stopped">Why it must not be fitted; null when nothing forbids it.</param>
public sealed record FoundStack(
    Plan Plan,
    double Chance,
    Rank Rank,
    (Corner Corner, LimitUse Use)? Most,
    IReadOnlyList<string> Irreversible,
    double Hours,
    bool HoursGuessed,
    bool MoneyGuessed,
    (double Hours, double Money) Expected,
    SecondTry Again,
    IReadOnlyList<string> ToBuy,
    string? Stopped
);

/// <summary>What a search has to say while it runs.</summary>
/// <param name="Found">The next in the order, or the best so far.</param>
/// <param name="Proved">Whether its place in the order is proved; else it is only the best so far.</param>
/// <param name="Looked">Stacks that were worked out.</param>
public sealed record SearchNews(FoundStack? Found, bool Proved, long Looked);
