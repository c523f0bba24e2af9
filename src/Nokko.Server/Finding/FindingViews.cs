using Nokko.Core.Finding;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;

namespace Nokko.Server.Finding;

/// <summary>One line of a search while it runs.</summary>
internal sealed record FindingLine
{
    /// <summary>Why there is nothing to find.</summary>
    public string? Cannot { get; init; }

    /// <summary>Parts that cannot be in any stack here.</summary>
    public IReadOnlyList<LeftOut>? LeftOut { get; init; }

    /// <summary>Stacks that there are.</summary>
    public double? Combinations { get; init; }

    /// <summary>The best so far, its place not proved.</summary>
    public FoundView? Best { get; init; }

    /// <summary>The next in the order.</summary>
    public FoundView? Found { get; init; }

    /// <summary>One that would stand here, and what stopped it.</summary>
    public FoundView? Rejected { get; init; }

    /// <summary>Stacks that were worked out.</summary>
    public long? Looked { get; init; }

    public bool? Done { get; init; }

    /// <summary>Whether it ended before all was proved.</summary>
    public bool? Stopped { get; init; }

    public double? Seconds { get; init; }
}

/// <summary>A part that cannot be in any stack here.</summary>
internal sealed record LeftOut(string Part, string Why);

/// <summary>A limit with its corner.</summary>
internal sealed record MostUsed(Corner Corner, LimitUse Use);

/// <summary>What takes back something that a stack moves beyond its limit.</summary>
/// <param name="Kind">What it moves.</param>
/// <param name="Where">front or rear.</param>
/// <param name="Parts">Names of the pieces, with how many; empty where none at hand does it.</param>
/// <param name="Hours">Hours to fit them.</param>
/// <param name="Money">What they cost.</param>
internal sealed record CureView(
    MechanismKind Kind,
    string Where,
    IReadOnlyList<string> Parts,
    double Hours,
    double Money
)
{
    public static CureView Of(GeometryCure cure) =>
        new(
            cure.Kind,
            cure.Where,
            [
                .. cure
                    .Parts.GroupBy(p => p.Part.Name)
                    .Select(g => g.Count() > 1 ? $"{g.Count()} × {g.Key}" : g.Key),
            ],
            cure.Hours,
            cure.Money
        );
}

/// <summary>A found stack as a screen shows it.</summary>
internal sealed record FoundView(
    IReadOnlyList<CornerStack> Stacks,
    double Chance,
    MostUsed? Most,
    IReadOnlyList<string> Irreversible,
    IReadOnlyList<Axle> Opened,
    IReadOnlyList<string> Touches,
    double Hours,
    bool HoursGuessed,
    decimal? Price,
    string? Currency,
    int Unpriced,
    double Money,
    bool MoneyGuessed,
    double ExpectedHours,
    double ExpectedMoney,
    double AgainHours,
    double AgainMoney,
    IReadOnlyList<string> ToBuy,
    string? Why,
    string? Stopped,
    IReadOnlyList<MovedLine> Beyond,
    IReadOnlyList<CureView> Cures,
    Prediction Prediction
)
{
    public static FoundView Of(
        FoundStack s,
        Situation situation,
        SearchRules rules,
        FoundStack? before,
        IReadOnlyList<GeometryCure> cures
    )
    {
        var prediction = Predictor.Predict(s.Plan, situation);
        return new FoundView(
            s.Plan.Stacks,
            s.Chance,
            s.Most is { } most ? new MostUsed(most.Corner, most.Use) : null,
            s.Irreversible,
            [
                .. Corners.Axles.Where(a =>
                    Corners.Of(a).Any(c => Change(situation.From, s.Plan, c).Count > 0)
                ),
            ],
            [.. Touched(situation.From, s.Plan)],
            s.Hours,
            s.HoursGuessed,
            prediction.Cost?.Price,
            prediction.Cost?.Currency,
            prediction.Cost?.Unpriced ?? 0,
            s.Rank.Cost,
            s.MoneyGuessed,
            s.Expected.Hours,
            s.Expected.Money,
            s.Again.Hours,
            s.Again.Money,
            s.ToBuy,
            before is null ? null : FoundWords.Behind(before, s, rules, prediction.Cost?.Currency),
            s.Stopped,
            [.. MovedLine.Of(PlanGeometry.Of(s.Plan, situation)).Where(m => m.Beyond)],
            [.. cures.Select(CureView.Of)],
            prediction
        );
    }

    /// <summary>What is done to a vehicle, in a fitter's words; what is done on both sides, or an axle has once, is said of the axle.</summary>
    public static IEnumerable<string> Touched(Stage from, Plan plan)
    {
        foreach (var axle in Corners.Axles)
        {
            var (left, right) = (
                Change(from, plan, Corners.Of(axle)[0]),
                Change(from, plan, Corners.Of(axle)[1])
            );
            foreach (var done in left.ToArray())
            {
                if (right.Remove(done))
                {
                    left.Remove(done);
                    yield return $"{axle.Said()}: {done.What}";
                }
            }
            foreach (
                var (corner, done) in left.Select(w => (Corners.Of(axle)[0], w))
                    .Concat(right.Select(w => (Corners.Of(axle)[1], w)))
            )
            {
                yield return done.PerAxle
                    ? $"{axle.Said()}: {done.What}"
                    : $"{Corners.Said(corner)}: {done.What}";
            }
        }
    }

    private static List<(string What, bool PerAxle)> Change(Stage from, Plan plan, Corner corner)
    {
        var (gone, come) = CornerStack.Change(corner, from.Stacks, plan.Stacks);
        return [.. gone.Select(p => Said("out", p)), .. come.Select(p => Said("in", p))];

        static (string, bool) Said(string way, PlacedPart part) =>
            ($"{way} {part.Name}", PartRule.Of(part.Kind).PerAxle);
    }
}

/// <summary>What to do in one way to miss.</summary>
internal sealed record PlanBView(
    Axle Axle,
    double OffMm,
    bool StaysGood,
    IReadOnlyList<string> Touches,
    FoundView? Stack
)
{
    public static PlanBView Of(PlanB b, Plan plan, Situation situation)
    {
        if (b.Stack is null)
        {
            return new PlanBView(b.Axle, b.OffMm, b.StaysGood, [], null);
        }
        var landed = situation with { From = situation.From with { Stacks = plan.Stacks } };
        return new PlanBView(
            b.Axle,
            b.OffMm,
            b.StaysGood,
            [.. FoundView.Touched(landed.From, b.Stack.Plan)],
            FoundView.Of(b.Stack, landed, new SearchRules(), null, [])
        );
    }
}
