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
    private readonly PriorityQueue<Branch, Rank> _open = new(Rank.Order);
    private readonly StanceOdds? _odds;
    private readonly (double[] Low, double[] High) _box;
    private readonly AxleOptions? _front;
    private readonly AxleOptions? _rear;
    private readonly SearchPool _pool;
    private readonly Situation _situation;
    private readonly SearchRules _rules;
    private FoundStack? _best;

    /// <summary>A figure that is bounded on one side only parts stacks less than one that must be met.</summary>
    private const double OneSided = 0.3;

    /// <summary>Sets up a search.</summary>
    /// <param name="situation">The vehicle as it stands, with its target.</param>
    /// <param name="shelf">The shelf.</param>
    /// <param name="rules">What is ruled out or let in.</param>
    public StackSearch(Situation situation, IReadOnlyList<Part> shelf, SearchRules rules)
    {
        (_situation, _rules) = (situation, rules);
        _pool = new SearchPool(situation, shelf, rules);
        if (situation.Target is not { } target)
        {
            Cannot = "Say first how it shall sit.";
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
        _box = StanceOdds.Box(target);
        if (_box.Low.All(double.IsInfinity) && _box.High.All(double.IsInfinity))
        {
            Cannot = "Say first how it shall sit: a rake, a lift, or a lean to take out.";
            return;
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
        _open.Enqueue(new Branch(_front.Root, _rear.Root, null), Bound(_front.Root, _rear.Root));
        var steps = 0;
        while (_open.TryDequeue(out var branch, out _))
        {
            if (cancel.IsCancellationRequested)
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
                var better = Weigh(worked, out var rank);
                _open.Enqueue(branch, rank);
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
        if (rear.IsLeaf || (!front.IsLeaf && front.Spread >= rear.Spread))
        {
            Add(front.Less!, rear);
            Add(front.More!, rear);
        }
        else
        {
            Add(front, rear.Less!);
            Add(front, rear.More!);
        }

        void Add(StackGroup f, StackGroup r) => _open.Enqueue(new Branch(f, r, null), Bound(f, r));
    }

    /// <summary>Goes straight down the better branch: the first answer, not proved.</summary>
    private FoundStack? Dive()
    {
        var (front, rear) = (_front!.Root, _rear!.Root);
        while (!front.IsLeaf || !rear.IsLeaf)
        {
            if (rear.IsLeaf || (!front.IsLeaf && front.Spread >= rear.Spread))
            {
                front =
                    Rank.Order.Compare(Bound(front.Less!, rear), Bound(front.More!, rear)) <= 0
                        ? front.Less!
                        : front.More!;
            }
            else
            {
                rear =
                    Rank.Order.Compare(Bound(front, rear.Less!), Bound(front, rear.More!)) <= 0
                        ? rear.Less!
                        : rear.More!;
            }
        }
        if (!_pool.Enough(_front.Needs(front.Option), _rear.Needs(rear.Option)))
        {
            return null;
        }
        var first = new Worked(_front.At(front.Option), _rear.At(rear.Option));
        Limits(first);
        return first.Stopped is null ? Weigh(first, out _) : null;
    }

    /// <summary>Puts both axles' stacks into groups that lie near each other.</summary>
    private void Order()
    {
        double[] weight =
        [
            .. _box.Low.Zip(
                _box.High,
                (l, h) =>
                    double.IsInfinity(l) && double.IsInfinity(h) ? 0
                    : double.IsInfinity(l) || double.IsInfinity(h) ? OneSided
                    : 1
            ),
        ];
        _front!.Order(_rear!, weight);
        _rear!.Order(_front, weight);
    }

    /// <summary>What no stack of two groups can beat.</summary>
    private Rank Bound(StackGroup front, StackGroup rear)
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
        return Stand(
            Math.Min(1, chance + 1e-4),
            front.Touched + rear.Touched,
            Math.Max(front.Share, rear.Share),
            front.Irreversible + rear.Irreversible,
            front.Opened + rear.Opened,
            front.Hours + rear.Hours,
            front.Cost + rear.Cost,
            ""
        );
    }

    private Rank Stand(
        double chance,
        int touched,
        double share,
        int irreversible,
        int opened,
        double hours,
        double cost,
        string parts
    )
    {
        var missing = Rank.MissingOf(chance);
        return new Rank(
            _rules.FewestTouched ? Math.Max(missing, Rank.EnoughMissing) : missing,
            _rules.FewestTouched ? touched : 0,
            Rank.StepsOf(share),
            irreversible,
            opened,
            hours,
            cost,
            parts
        );
    }

    /// <summary>Two groups of stacks, or one stack.</summary>
    private sealed record Branch(StackGroup Front, StackGroup Rear, Worked? Worked);
}
