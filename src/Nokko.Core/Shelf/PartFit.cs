using Nokko.Core.Vehicles;

namespace Nokko.Core.Shelf;

/// <summary>Whether a part fits a vehicle.</summary>
public enum FitState
{
    /// <summary>It does.</summary>
    Fits,

    /// <summary>Nobody knows.</summary>
    Unknown,

    /// <summary>It does not.</summary>
    DoesNot,
}

/// <summary>Whether a part fits, and why not or what to ask. What is not known is never said to fit.</summary>
public sealed record FitVerdict
{
    private FitVerdict(FitState state, string? why) => (State, Why) = (state, why);

    /// <summary>Whether it does.</summary>
    public FitState State { get; }

    /// <summary>Why not, or what is not known; null where it fits.</summary>
    public string? Why { get; }

    /// <summary>It does.</summary>
    public static FitVerdict Fits { get; } = new(FitState.Fits, null);

    /// <summary>It does not.</summary>
    /// <param name="why">Why.</param>
    public static FitVerdict Not(string why) => new(FitState.DoesNot, why);

    /// <summary>Nobody knows.</summary>
    /// <param name="what">What would tell it.</param>
    public static FitVerdict Ask(string what) => new(FitState.Unknown, what);

    /// <summary>Of several, the one that decides: what does not fit before what is not known.</summary>
    internal static FitVerdict Worst(IEnumerable<FitVerdict> all) =>
        all.Aggregate(Fits, (a, b) => b.State > a.State ? b : a);
}

/// <summary>A platform that a part is made for.</summary>
/// <param name="Name">Its name on the shop's list.</param>
/// <param name="From">First year of build; null is from the beginning.</param>
/// <param name="To">Last year of build; null is to the end.</param>
public sealed record FitPlatform(string Name, int? From = null, int? To = null)
{
    /// <summary>As said in a bay.</summary>
    public string Said() =>
        (From, To) switch
        {
            (null, null) => Name,
            ({ } from, null) => $"{Name} from {from}",
            (null, { } to) => $"{Name} to {to}",
            ({ } from, { } to) => $"{Name} {from} to {to}",
        };
}

/// <summary>For which vehicles a part is.</summary>
/// <remarks>
/// Source: docs/computation/fits.md#fits. Platforms are known by their names on the shop's list, so that a shelf can go to another shop.
/// The platforms that are named are all that there are: where one is named, another one is not fitted.
/// </remarks>
public sealed record PartFit
{
    /// <summary>Whether it is for vehicles of every platform, as far as its rules go.</summary>
    public bool AnyPlatform { get; init; }

    /// <summary>Platforms that it is made for, and no other; empty where nobody noted one.</summary>
    public IReadOnlyList<FitPlatform> Platforms { get; init; } = [];

    /// <summary>Platforms that it is known not to fit.</summary>
    public IReadOnlyList<string> NotPlatforms { get; init; } = [];

    /// <summary>Its conditions.</summary>
    public IReadOnlyList<FitRule> Rules { get; init; } = [];

    /// <summary>Whether a part fits where it is tried.</summary>
    /// <param name="part">The part as it would stand there; its corner counts only where the place names it.</param>
    /// <param name="platform">Name of the vehicle's platform; null is not known.</param>
    /// <param name="place">What it is tried on.</param>
    public static FitVerdict Of(PlacedPart part, string? platform, FitPlace place)
    {
        // A setting of what is in comes from no maker.
        if (PartRule.Of(part.Kind).Turned)
        {
            return FitVerdict.Fits;
        }
        var fit = part.Fit ?? Nothing;
        return FitVerdict.Worst([
            fit.OnPlatform(platform, place.Vehicle.Built),
            .. fit.Rules.Select(r => r.On(place, part)),
        ]);
    }

    private static readonly PartFit Nothing = new();

    private FitVerdict OnPlatform(string? platform, int? built)
    {
        if (platform is not null && NotPlatforms.Any(n => Variant.Same(n, platform)))
        {
            return FitVerdict.Not($"does not fit {platform}");
        }
        if (Platforms.Count == 0)
        {
            return AnyPlatform
                ? FitVerdict.Fits
                : FitVerdict.Ask("nobody noted which platforms it fits");
        }
        if (platform is null)
        {
            return FitVerdict.Ask($"made for {Made()}");
        }
        FitPlatform[] here = [.. Platforms.Where(p => Variant.Same(p.Name, platform))];
        if (here.Length == 0)
        {
            return FitVerdict.Not($"made for {Made()}, not for {platform}");
        }
        if (here.Any(p => p is { From: null, To: null }))
        {
            return FitVerdict.Fits;
        }
        return built is not { } year
                ? FitVerdict.Ask(
                    $"made for {Made()}: nobody noted in which year this one was built"
                )
            : here.Any(p => (p.From ?? year) <= year && year <= (p.To ?? year)) ? FitVerdict.Fits
            : FitVerdict.Not($"made for {Made()}, this one was built in {year}");
    }

    /// <summary>Most platforms, and most rules.</summary>
    public const int Most = 60;

    /// <summary>The same without blanks around names and values, and without empty ones.</summary>
    public PartFit Trimmed() =>
        this with
        {
            Platforms = [.. Platforms.Select(p => p with { Name = Trim(p.Name) })],
            NotPlatforms = Trim(NotPlatforms),
            Rules =
            [
                .. Rules.Select(r =>
                    r switch
                    {
                        FitRule.OnlyWith o => o with { Values = Trim(o.Values) },
                        FitRule.NotWith n => n with { Values = Trim(n.Values) },
                        FitRule.MustMeet { Mate: { Written: { } written } mate } m => m with
                        {
                            Mate = mate with { Written = Trim(written) },
                        },
                        _ => r,
                    }
                ),
            ],
        };

    private static string Trim(string? text) => text?.Trim() ?? "";

    private static string[] Trim(IEnumerable<string?> texts) =>
        [.. texts.Select(Trim).Where(t => t.Length > 0)];

    /// <summary>For which vehicles it is, in one line; what is not said nobody noted.</summary>
    public string Said() =>
        string.Join(
            " · ",
            new[]
            {
                AnyPlatform ? "any platform" : null,
                Platforms.Count > 0 ? $"for {Made()}" : null,
                NotPlatforms.Count > 0 ? $"not for {string.Join(", ", NotPlatforms)}" : null,
            }
                .OfType<string>()
                .Concat(Rules.Select(r => r.Said()))
        );

    private string Made() => string.Join(", ", Platforms.Select(p => p.Said()));

    /// <summary>Why it cannot be: what no vehicle could ever meet; null where one can.</summary>
    /// <param name="kind">Kind of the part.</param>
    public string? WhyNever(PartKind kind)
    {
        if (AnyPlatform && Platforms.Count > 0)
        {
            return "For every platform, or for those that are named: one of both.";
        }
        if (Platforms.FirstOrDefault(p => string.IsNullOrWhiteSpace(p.Name)) is not null)
        {
            return "Choose the platform from the list.";
        }
        if (Platforms.FirstOrDefault(p => p.From > p.To) is { } years)
        {
            return $"{years.Name}: it ends in {years.To}, before it begins in {years.From}.";
        }
        if (
            Platforms.FirstOrDefault(p =>
                p.From is < FirstYear or > LastYear || p.To is < FirstYear or > LastYear
            ) is
            { } odd
        )
        {
            return $"{odd.Name}: write the years with four digits.";
        }
        if (
            Platforms.FirstOrDefault(p => NotPlatforms.Any(n => Variant.Same(n, p.Name))) is
            { } both
        )
        {
            return $"{both.Name} stands among those that it fits and among those that it does not.";
        }
        return Rules.Select(r => r.WhyNever(kind)).FirstOrDefault(w => w is not null)
            ?? Against().FirstOrDefault();
    }

    /// <summary>First year that a vehicle here may be built in.</summary>
    public const int FirstYear = 1920;

    /// <summary>Last year, far enough ahead.</summary>
    public const int LastYear = 2100;

    /// <summary>Rules that cannot hold together.</summary>
    private IEnumerable<string> Against()
    {
        for (var i = 0; i < Rules.Count; i++)
        {
            for (var j = i + 1; j < Rules.Count; j++)
            {
                if (Exclude(Rules[i], Rules[j]) || Exclude(Rules[j], Rules[i]))
                {
                    yield return $"“{Rules[i].Said()}” and “{Rules[j].Said()}” can never hold together.";
                }
            }
        }
    }

    private static bool Exclude(FitRule a, FitRule b) =>
        (a, b) switch
        {
            (FitRule.OnlyWith x, FitRule.NotWith y) => x.Aspect == y.Aspect
                && x.Values.All(v => y.Values.Any(n => Variant.Same(n, v))),
            (FitRule.OnlyWith x, FitRule.OnlyWith y) => x.Aspect == y.Aspect
                && !x.Values.Any(v => y.Values.Any(o => Variant.Same(o, v))),
            (FitRule.OnlyAt x, FitRule.OnlyAt y) => x.Axle != y.Axle,
            (FitRule.MustMeet x, FitRule.MustMeet y) => x.Mate.Kind == y.Mate.Kind
                && !x.Mate.Meets(y.Mate),
            (FitRule.NeedsPart x, FitRule.NotBeside y) => x.Part == y.Part,
            _ => false,
        };
}
