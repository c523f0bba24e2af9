using Nokko.Core.Plans;
using Nokko.Core.Shelf;

namespace Nokko.Core.Finding;

/// <summary>Finds the stacks that land, in order: exact, by branch and bound.</summary>
/// <remarks>
/// Source: docs/computation/finding.md#chance-and-order. Every stack of an axle is worked out once; its figures add to those of the other axle's.
/// Pairs of groups of stacks are opened in the order of a bound that no stack in them can beat, so that what comes out comes out in order.
/// Body pucks and what does not lift stay as they are.
/// </remarks>
public sealed partial class StackSearch
{
    private readonly StanceOdds? _odds;
    private readonly (double[] Low, double[] High) _box;
    private readonly AxleOptions? _front;
    private readonly AxleOptions? _rear;
    private readonly SearchPool _pool;
    private readonly CentredAxles? _centred;
    private readonly HeldGeometry _held;
    private readonly Situation _situation;
    private readonly SearchRules _rules;
    private PriorityQueue<Branch, Rank> _open = new();
    private SecondTry _again;
    private FoundStack? _best;

    /// <summary>Sets up a search.</summary>
    /// <param name="situation">The vehicle as it stands, with its target.</param>
    /// <param name="shelf">The shelf.</param>
    /// <param name="rules">What is ruled out or let in.</param>
    public StackSearch(Situation situation, IReadOnlyList<Part> shelf, SearchRules rules)
    {
        (_situation, _rules) = (situation, rules);
        _pool = new SearchPool(situation, shelf, rules);
        _held = new HeldGeometry(situation, shelf, rules, _pool);
        if (situation.Target is not { } target)
        {
            Cannot = "Say first how it should sit.";
            return;
        }
        if (situation.Baseline is not { } baseline || baseline.Stations.Count == 0)
        {
            Cannot = "Nothing was measured at this stage yet: walk round the vehicle first.";
            return;
        }
        var (body, missing) = VehicleBody.Of(situation.Vehicle);
        if (body is null)
        {
            Cannot = missing;
            return;
        }
        (_odds, var why) = StanceOdds.Of(body, baseline, target, situation);
        if (_odds is null)
        {
            Cannot = why;
            return;
        }
        _box = StanceOdds.Box(target, situation.Limits);
        if (_box.Low.All(double.IsInfinity) && _box.High.All(double.IsInfinity))
        {
            Cannot = "Say first how it should sit: a rake, a lift, or a lean to take out.";
            return;
        }
        if (rules.MostAsideMm is { } most)
        {
            _centred = new CentredAxles(situation, shelf, rules, most, _pool);
        }
        var axles = Predictor.Axles(situation);
        _front = new AxleOptions(0, axles[0], body, _odds, _pool, situation);
        _rear = new AxleOptions(1, axles[1], body, _odds, _pool, situation);
        if (_front.Count == 0 || _rear.Count == 0)
        {
            Cannot =
                $"What stands at the {(_front.Count == 0 ? "front" : "rear")} now must not stay, and nothing here can take its place: plan it by hand.";
            return;
        }
        Order();
    }

    /// <summary>Why there is nothing to find, in a fitter's words; null when there may be.</summary>
    public string? Cannot { get; }

    /// <summary>Parts of the shelf that cannot be part of any stack here, each with the reason.</summary>
    public IReadOnlyList<(string Part, string Why)> LeftOut =>
        [.. _pool.LeftOut.Concat(_front?.LeftOut ?? []).Concat(_rear?.LeftOut ?? []).Distinct()];

    /// <summary>Stacks of the front times stacks of the rear; those whose sides differ are counted once the search runs.</summary>
    public double Combinations => (double)(_front?.Count ?? 0) * (_rear?.Count ?? 0);

    /// <summary>Stacks that were worked out so far.</summary>
    public long Looked { get; private set; }

    /// <summary>What a stack moves beyond its limit, each with what takes it back for least.</summary>
    /// <param name="stack">A stack that was found.</param>
    public IReadOnlyList<GeometryCure> CuresOf(FoundStack stack) => _held.Of(stack.Plan.Stacks);

    /// <summary>Runs the search: what is proved comes in order, those that are stopped in their place among the others.</summary>
    /// <param name="cancel">Ends it.</param>
    public IEnumerable<SearchNews> Run(CancellationToken cancel = default)
    {
        if (Cannot is not null || _front is null || _rear is null)
        {
            yield break;
        }
        if (Dive() is { } first)
        {
            yield return new SearchNews(first, false, Looked);
        }
        if (_rules.SidesDiffer)
        {
            // The first answer comes from what is alike; the others are many more.
            _front.Widen();
            _rear.Widen();
            Order();
        }
        if (_rules.Order != SearchOrder.FewestTouched)
        {
            foreach (var news in LeastTry(cancel))
            {
                yield return news;
            }
        }
        foreach (var news in Walk(_rules.Order, Rank.By(_rules.Order, KnownLands(cancel)), cancel))
        {
            yield return news;
        }
    }

    /// <summary>Finds what another try takes: the stack that gets there for least, by trying.</summary>
    private IEnumerable<SearchNews> LeastTry(CancellationToken cancel)
    {
        for (var settled = false; !settled; )
        {
            settled = true;
            foreach (
                var news in Walk(SearchOrder.LeastCost, Rank.By(SearchOrder.LeastCost), cancel)
            )
            {
                // To leave it as it is is no try: done again, it gives the same again.
                if (news is not { Proved: true, Found: { Stopped: null, Rank.Touched: > 0 } least })
                {
                    if (news.Found is null)
                    {
                        yield return news;
                    }
                    continue;
                }
                var next = SecondTry.Of(
                    least.Hours,
                    least.Rank.Cost,
                    least.Chance,
                    _rules.HourRate
                );
                var rate = _rules.HourRate;
                settled = next.Cost(rate) >= _again.Cost(rate) * (1 - 1e-9);
                _again = settled ? _again : next;
                break;
            }
        }
        _best = null;
    }

    /// <summary>Whether a stack lands surely enough of which every piece that comes is known to fit: then what nobody knows stands behind.</summary>
    private bool KnownLands(CancellationToken cancel)
    {
        if (!_pool.AnyUnsure)
        {
            return false;
        }
        // Nothing is looked at that is not one itself.
        var lands = Walk(SearchOrder.Surest, Rank.KnownAndSure(), cancel, Lands)
            .Any(n =>
                n is { Proved: true, Found: { Stopped: null, Rank: var rank } } && Lands(rank)
            );
        _best = null;
        return lands;

        static bool Lands(Rank rank) => rank is { Unsure: 0, Missing: <= Rank.EnoughMissing };
    }

    /// <summary>Every stack in an order, each proved when it comes.</summary>
    private IEnumerable<SearchNews> Walk(
        SearchOrder order,
        IComparer<Rank> by,
        CancellationToken cancel,
        Func<Rank, bool>? worth = null
    )
    {
        var steps = 0;
        _open = new(by);
        _open.Enqueue(new Branch(_front!.Root, _rear!.Root, null), Bound(_front.Root, _rear.Root));
        while (_open.TryDequeue(out var branch, out var stands))
        {
            if (cancel.IsCancellationRequested || worth?.Invoke(stands) == false)
            {
                yield break;
            }
            if (branch.Worked is { Chance: { } chance } done)
            {
                yield return new SearchNews(Found(done, chance), true, Looked);
                continue;
            }
            if (branch.Worked is { } worked)
            {
                var better = Weigh(worked, order, out var rank);
                if (worked.Chance is not { } known || known >= _rules.LeastChance)
                {
                    _open.Enqueue(branch, rank);
                }
                if (better is not null)
                {
                    yield return new SearchNews(better, false, Looked);
                }
            }
            else if (branch.Front.IsLeaf && branch.Rear.IsLeaf)
            {
                Look(branch);
            }
            else
            {
                Open(branch);
            }
            if (++steps % 4096 == 0)
            {
                yield return new SearchNews(null, false, Looked);
            }
        }
    }

    private void Open(Branch branch)
    {
        var (front, rear) = (branch.Front, branch.Rear);
        if (OpensFront(front, rear))
        {
            Add(front.Less!, rear);
            Add(front.More!, rear);
        }
        else
        {
            Add(front, rear.Less!);
            Add(front, rear.More!);
        }

        void Add(StackGroup f, StackGroup r)
        {
            if (MostChance(f, r) is var chance && chance >= _rules.LeastChance)
            {
                _open.Enqueue(new Branch(f, r, null), Bound(f, r, chance));
            }
        }
    }

    /// <summary>Which of two groups is opened next: the wider one. The answers are the same in any order; only how soon they come is not.</summary>
    private static bool OpensFront(StackGroup front, StackGroup rear) =>
        // Stryker disable once all : no answer depends on it
        rear.IsLeaf || (!front.IsLeaf && front.Spread >= rear.Spread);

    private static readonly IComparer<Rank> Surest = Rank.By(SearchOrder.Surest);

    /// <summary>Goes straight down the better branch: the first answer, not proved.</summary>
    private FoundStack? Dive()
    {
        var (front, rear) = (_front!.Root, _rear!.Root);
        while (!front.IsLeaf || !rear.IsLeaf)
        {
            if (OpensFront(front, rear))
            {
                front =
                    Surest.Compare(Bound(front.Less!, rear), Bound(front.More!, rear)) <= 0
                        ? front.Less!
                        : front.More!;
            }
            else
            {
                rear =
                    Surest.Compare(Bound(front, rear.Less!), Bound(front, rear.More!)) <= 0
                        ? rear.Less!
                        : rear.More!;
            }
        }
        _again = SecondTry.Of(0, 0, 0, _rules.HourRate);
        if (!_pool.Enough(_front.Needs(front.Option), _rear.Needs(rear.Option)))
        {
            return null;
        }
        var first = new Worked(_front.At(front.Option), _rear.At(rear.Option));
        Limits(first);
        // The surest way that is seen at once: what it would take to try that until it lands.
        var chance = Chance(first, null);
        _again = SecondTry.Of(
            Hours(first),
            Cost(first),
            first.Stopped is null && Touched(first) > 0 ? chance : 0,
            _rules.HourRate
        );
        if (first.Stopped is not null)
        {
            return null;
        }
        return _best = Found(first, chance);
    }

    /// <summary>Puts both axles' stacks into groups that lie near each other.</summary>
    private void Order()
    {
        // Stryker disable all : what lies near each other only decides how much is ruled out at once
        double[] weight =
        [
            .. _box.Low.Zip(
                _box.High,
                (low, high) => double.IsInfinity(low) && double.IsInfinity(high) ? 0.0 : 1
            ),
        ];
        // Stryker restore all
        _front!.Order(_rear!, weight);
        _rear!.Order(_front, weight);
    }

    /// <summary>No stack of two groups is more likely to land.</summary>
    private double MostChance(StackGroup front, StackGroup rear)
    {
        var chance = 1.0;
        for (var f = 0; f < StanceOdds.Count; f++)
        {
            var (low, high) = (_box.Low[f], _box.High[f]);
            if (double.IsInfinity(low) && double.IsInfinity(high))
            {
                continue;
            }
            chance = Math.Min(
                chance,
                ChanceBound.Of(
                    _odds!.Mean[f] + front.MeanLow[f] + rear.MeanLow[f],
                    _odds.Mean[f] + front.MeanHigh[f] + rear.MeanHigh[f],
                    _odds.Covariance[f, f] + front.VarianceLow[f] + rear.VarianceLow[f],
                    _odds.Covariance[f, f] + front.VarianceHigh[f] + rear.VarianceHigh[f],
                    low,
                    high
                )
            );
        }
        // A chance to 1e-4 must not round past its bound.
        return Math.Min(1, chance + 1e-4);
    }

    /// <summary>What no stack of two groups can beat.</summary>
    private Rank Bound(StackGroup front, StackGroup rear) =>
        Bound(front, rear, MostChance(front, rear));

    private Rank Bound(StackGroup front, StackGroup rear, double mostChance) =>
        Stand(
            mostChance,
            front.Touched + rear.Touched,
            Math.Max(front.Share, rear.Share),
            front.Irreversible + rear.Irreversible,
            front.Opened + rear.Opened,
            front.Hours + rear.Hours,
            front.Cost + rear.Cost,
            front.Doing + rear.Doing,
            Math.Max(front.Unsure, rear.Unsure),
            ""
        );

    private Rank Stand(
        double chance,
        int touched,
        double share,
        int irreversible,
        int opened,
        double hours,
        double cost,
        double doing,
        int unsure,
        string parts
    ) =>
        new(
            Rank.MissingOf(chance),
            doing + ((1 - chance) * _again.Cost(_rules.HourRate)),
            touched,
            Rank.StepsOf(share),
            irreversible,
            opened,
            hours,
            cost,
            parts,
            unsure
        );

    /// <summary>Two groups of stacks, or one stack.</summary>
    private sealed record Branch(StackGroup Front, StackGroup Rear, Worked? Worked);
}
