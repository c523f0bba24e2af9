using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Finding;

/// <summary>One stack left and one right, worked out together.</summary>
/// <param name="Left">Left.</param>
/// <param name="Right">Right.</param>
/// <param name="Mean">What it adds to each figure, mm.</param>
/// <param name="Covariance">And to their covariance, mm².</param>
/// <param name="Heights">What it adds to the rise of each corner over nothing fitted, mm.</param>
/// <param name="Variances">And to the variance of that, mm².</param>
internal sealed record AxleOption(
    CornerOption Left,
    CornerOption Right,
    double[] Mean,
    double[,] Covariance,
    double[] Heights,
    double[] Variances
)
{
    public int Touched => Left.Touched + Right.Touched;

    public int Opened => Touched > 0 ? 1 : 0;

    public int Unsure => Math.Max(Left.Unsure, Right.Unsure);

    public int Irreversible => Left.Irreversible.Count + Right.Irreversible.Count;

    public double Hours => Left.Hours + Right.Hours;

    public double Cost => Left.Cost + Right.Cost;

    /// <summary>What it takes, as money.</summary>
    /// <param name="rate">Money for an hour.</param>
    public double Doing(double rate) => Cost + (Hours * rate);

    /// <summary>Of the limit that is used most, at least this.</summary>
    public double Share { get; set; }
}

/// <summary>Every stack that one axle may get.</summary>
internal sealed class AxleOptions
{
    private readonly List<AxleOption> _options = [];
    private readonly Dictionary<int, IReadOnlyDictionary<Guid, int>> _uses = [];

    private readonly List<CornerOption> _left;
    private readonly List<CornerOption> _right;
    private readonly double[][] _seats;
    private readonly int _first;
    private readonly StanceOdds _odds;
    private readonly SearchPool _pool;

    /// <summary>Stacks with both sides alike, or changed alike from what stands there now.</summary>
    public AxleOptions(
        int index,
        AxleState axle,
        VehicleBody body,
        StanceOdds odds,
        SearchPool pool,
        Situation situation
    )
    {
        (_first, _odds, _pool) = (2 * index, odds, pool);
        var corners = Corners.Of(axle.Axle);
        var ends = TravelEnds.Bare(axle);
        _left = At(corners[0], axle, ends, pool, situation);
        _right = At(corners[1], axle, ends, pool, situation);
        _seats = [.. body.Supports.Select(s => body.Springs.Response(s.XMm, s.YMm))];
        Add(Alike);
    }

    /// <summary>Adds the stacks whose sides differ on purpose, by one piece.</summary>
    public void Widen() => Add((l, r) => !Alike(l, r) && l.Paired == r.Paired && DifferByOne(l, r));

    /// <summary>Sides that differ already, a plate against a lean, may stay so when both get the same.</summary>
    private static bool Alike(CornerOption l, CornerOption r) =>
        l.Alike == r.Alike || l.Changed == r.Changed;

    private void Add(Func<CornerOption, CornerOption, bool> goTogether)
    {
        foreach (var l in _left)
        {
            foreach (var r in _right)
            {
                if (goTogether(l, r) && _pool.Enough(l.Needs, r.Needs))
                {
                    _options.Add(Put(l, r, _first, _odds, _seats));
                }
            }
        }
    }

    public StackGroup Root { get; private set; } = null!;

    public int Count => _options.Count;

    /// <summary>Parts that fit no stack of this axle, each with the reason.</summary>
    public List<(string Part, string Why)> LeftOut { get; } = [];

    public AxleOption At(int i) => _options[i];

    /// <summary>Parts with how many an option uses.</summary>
    public IReadOnlyDictionary<Guid, int> Needs(int i)
    {
        if (!_uses.TryGetValue(i, out var uses))
        {
            uses = _options[i]
                .Left.Needs.Concat(_options[i].Right.Needs)
                .GroupBy(u => u.Key)
                .ToDictionary(g => g.Key, g => g.Sum(u => u.Value));
            _uses[i] = uses;
        }
        return uses;
    }

    /// <summary>Bounds the use of limits, and orders the stacks, once the other axle's stacks are known: they turn the body a little over this one.</summary>
    /// <param name="other">The other axle.</param>
    /// <param name="weight">How much each figure parts the stacks.</param>
    public void Order(AxleOptions other, double[] weight)
    {
        foreach (var o in _options)
        {
            o.Share = 0;
        }
        var first = _first;
        for (var side = 0; side < 2; side++)
        {
            var (low, high, sure) = (double.MaxValue, double.MinValue, double.MaxValue);
            foreach (var o in other._options)
            {
                (low, high, sure) = (
                    Math.Min(low, o.Heights[first + side]),
                    Math.Max(high, o.Heights[first + side]),
                    Math.Min(sure, o.Variances[first + side])
                );
            }
            // A corner's own stack gives it most of its rise; what stands on the other side of its axle turns the body a little.
            var rises = new Dictionary<CornerOption, (double Low, double High, double Variance)>();
            foreach (var o in _options)
            {
                var corner = side == 0 ? o.Left : o.Right;
                var (rise, variance) = (o.Heights[first + side], o.Variances[first + side]);
                var (l, h, v) = rises.GetValueOrDefault(corner, (rise, rise, variance));
                rises[corner] = (Math.Min(l, rise), Math.Max(h, rise), Math.Min(v, variance));
            }
            var least = rises.ToDictionary(
                r => r.Key,
                r =>
                    r.Key.LeastUse(
                        r.Value.Low + low,
                        r.Value.High + high,
                        Math.Sqrt(r.Value.Variance + sure)
                    )
            );
            foreach (var o in _options)
            {
                o.Share = Math.Max(o.Share, least[side == 0 ? o.Left : o.Right]);
            }
        }
        Root = StackGroup.Of(_options, weight, _pool.HourRate);
    }

    private static bool DifferByOne(CornerOption l, CornerOption r)
    {
        var common = 0;
        foreach (var (id, count) in l.Needs)
        {
            common += Math.Min(count, r.Needs.GetValueOrDefault(id));
        }
        return Math.Max(l.Pieces, r.Pieces) - common <= 1;
    }

    private static AxleOption Put(
        CornerOption left,
        CornerOption right,
        int first,
        StanceOdds odds,
        double[][] seats
    )
    {
        var (l, r) = (left.Rise, right.Rise);
        var (ll, rr) = (CornerRise.Covariance(l, l, true), CornerRise.Covariance(r, r, true));
        var lr = CornerRise.Covariance(l, r, false);
        var (mean, covariance) = (
            new double[StanceOdds.Count],
            new double[StanceOdds.Count, StanceOdds.Count]
        );
        for (var f = 0; f < StanceOdds.Count; f++)
        {
            var (a, b) = (odds.Springs[f][first], odds.Springs[f][first + 1]);
            mean[f] = (a * l.SpringMm) + (b * r.SpringMm);
            for (var g = 0; g <= f; g++)
            {
                var (c, d) = (odds.Springs[g][first], odds.Springs[g][first + 1]);
                covariance[f, g] =
                    (a * c * ll)
                    + (b * d * rr)
                    + (((a * d) + (b * c)) * lr)
                    + odds.OfRates(f, g, first, l.SpringMm, r.SpringMm);
                covariance[g, f] = covariance[f, g];
            }
        }
        var (heights, variances) = (new double[4], new double[4]);
        var (bareL, bareR) = (left.Bare, right.Bare);
        var (bll, brr, blr) = (Bare(bareL, bareL), Bare(bareR, bareR), Bare(bareL, bareR));
        for (var i = 0; i < heights.Length; i++)
        {
            var (a, b) = (seats[i][first], seats[i][first + 1]);
            heights[i] = (a * (bareL?.SpringMm ?? 0)) + (b * (bareR?.SpringMm ?? 0));
            variances[i] = Math.Max(0, (a * a * bll) + (b * b * brr) + (2 * a * b * blr));
        }
        return new AxleOption(left, right, mean, covariance, heights, variances);

        static double Bare(CornerRise? a, CornerRise? b) =>
            a is null || b is null ? 0 : CornerRise.Covariance(a, b, ReferenceEquals(a, b));
    }

    /// <summary>Every stack that one corner may get: what is in and does not lift stays, of each kind that lifts comes what is in, nothing, or one piece.</summary>
    private List<CornerOption> At(
        Corner corner,
        AxleState axle,
        TravelEnds ends,
        SearchPool pool,
        Situation situation
    )
    {
        var old = CornerStack.At(situation.From.Stacks, corner);
        var index = Corners.All.ToList().IndexOf(corner);
        var held = axle.Suspension.HeightControl;
        var kinds = pool
            .Parts.Select(p => p.Kind)
            .Concat(old.Select(p => p.Kind))
            .Where(k => SearchPool.Lifts(k, held is not null))
            // One sensor has one link: it is placed on the left.
            .Where(k =>
                held != HeightControl.OneSensor || index % 2 == 0 || k != PartKind.LevelSensorLink
            )
            .Distinct()
            .Where(k => PartRule.Of(k).FitsOn(axle.Suspension.Kind))
            .OrderBy(k => PartRule.Of(k).Order)
            .ToArray();
        PlacedPart[] stay = [.. old.Where(p => !kinds.Contains(p.Kind))];
        var stacks = new List<(PlacedPart[] Parts, int New)> { (stay, 0) };
        foreach (var kind in kinds)
        {
            PlacedPart[] here = [.. old.Where(p => p.Kind == kind)];
            PlacedPart[][] ways =
            [
                [],
                .. here.Length > 0 ? [here] : Array.Empty<PlacedPart[]>(),
                .. pool
                    .Parts.Where(p =>
                        p.Kind == kind
                        && !(here.Length == 1 && IsThere(here[0], p))
                        && pool.Fits(p, axle.Axle).State != FitState.DoesNot
                    )
                    .Select(p => new[] { p with { Id = PieceId(p.Id, corner) } }),
            ];
            stacks =
            [
                .. stacks
                    .SelectMany(s =>
                        ways.Select(w =>
                            (
                                Parts: (PlacedPart[])[.. s.Parts, .. w],
                                New: s.New + (w.Length > 0 && !ReferenceEquals(w, here) ? 1 : 0)
                            )
                        )
                    )
                    .Where(s => s.New <= SearchRules.MostNewPieces),
            ];
        }
        var options = new List<CornerOption>();
        foreach (var (parts, fresh) in stacks)
        {
            PlacedPart[] sorted = [.. parts.OrderBy(p => PartRule.Of(p.Kind).Order)];
            var (option, why) = CornerOption.Of(
                corner,
                sorted,
                old,
                situation.Vehicle,
                axle,
                ends,
                pool
            );
            if (option is not null)
            {
                options.Add(option);
            }
            else if (
                fresh == 1
                && sorted.Length == stay.Length + 1
                // A setting out of reach is no part that was left out.
                && !sorted.Any(p => PartRule.Of(p.Kind).Turned && !stay.Contains(p))
            )
            {
                LeftOut.Add((sorted.First(p => !stay.Contains(p)).Name, why!));
            }
        }
        return options;
    }

    /// <summary>Whether a piece that is in is what is offered: the same part, or an adjuster at the same turns.</summary>
    private static bool IsThere(PlacedPart here, PlacedPart offered) =>
        here.PartId == offered.PartId && here.Get(PartSizes.Turns) == offered.Get(PartSizes.Turns);

    /// <summary>An id of its own for a piece at a corner, the same whenever the search is run.</summary>
    internal static Guid PieceId(Guid part, Corner corner)
    {
        var bytes = part.ToByteArray();
        bytes[15] ^= (byte)((int)corner + 1);
        return new Guid(bytes);
    }
}
