using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Proof;

/// <summary>Why a vehicle may sit otherwise than it was foretold.</summary>
public enum CauseKind
{
    /// <summary>Nothing: what was foretold and the tape are as wrong as they say.</summary>
    Nothing,

    /// <summary>The springs have not settled.</summary>
    NotSettled,

    /// <summary>Rubber was made final while it hung.</summary>
    TightenedHanging,

    /// <summary>The parts lift by another ratio than was counted on.</summary>
    LiftLine,

    /// <summary>Another load stands on a new spring than it was made for.</summary>
    OtherLoad,

    /// <summary>The old spring had sagged more than was thought.</summary>
    SaggedMore,

    /// <summary>One spring is not seated, or an isolator is there twice.</summary>
    NotSeated,

    /// <summary>Left and right are swapped.</summary>
    SidesSwapped,

    /// <summary>One reading slipped.</summary>
    Slip,

    /// <summary>A tyre, or the ground under it, is low.</summary>
    TyreLow,

    /// <summary>A body mount is crushed on one side.</summary>
    MountCrushed,

    /// <summary>Something else.</summary>
    Other,
}

/// <summary>What moved one lip off its plan.</summary>
/// <param name="Station">The corner.</param>
/// <param name="Mm">By what, mm, up above zero.</param>
public sealed record OffPlan(Corner Station, double Mm);

/// <summary>A cause that may be it.</summary>
/// <param name="Kind">What.</param>
/// <param name="Where">LF … RR, front, rear or vehicle.</param>
/// <param name="Prior">Its chance before anything was read, a rule of thumb, 0 … 1.</param>
/// <param name="Chance">Its chance now, 0 … 1.</param>
/// <param name="Pattern">What it would do at each lip, by the amount that fits best, mm; empty of nothing and of something else.</param>
public sealed record Cause(
    CauseKind Kind,
    string Where,
    double Prior,
    double Chance,
    IReadOnlyList<OffPlan> Pattern
)
{
    /// <summary>What it is called, and how it is checked.</summary>
    public CauseWords Words => CauseWords.Of(this);
}

/// <summary>Causes that no height tells apart: they move the lips alike.</summary>
/// <param name="Chance">Of all of them together, 0 … 1.</param>
/// <param name="Causes">The likeliest first; inside a class only what was thought before tells them apart, until one is checked.</param>
public sealed record CauseClass(double Chance, IReadOnlyList<Cause> Causes);

/// <summary>What may have moved a vehicle off its plan, by how well each explains all lips together.</summary>
/// <remarks>Source: docs/computation/causes.md#posterior.</remarks>
/// <param name="Classes">The likeliest first.</param>
/// <param name="Off">What is to be explained: each lip, now less foretold, mm.</param>
/// <param name="Named">Whether the first is named: its chance is at least <see cref="LeastNamed"/> and twice that of the next.</param>
public sealed partial record Causes(
    IReadOnlyList<CauseClass> Classes,
    IReadOnlyList<OffPlan> Off,
    bool Named
)
{
    /// <summary>Least chance of a class that is named.</summary>
    public const double LeastNamed = 0.6;

    /// <summary>Patterns are one where their directions agree better than this, the cosine between them weighed by what the readings can be wrong by.</summary>
    private const double Alike = 0.95;

    /// <summary>What is known of a miss.</summary>
    public sealed record Miss
    {
        /// <summary>Lips that were read, with what they stand off and its variance without what both lips of an axle share, mm and mm².</summary>
        public required IReadOnlyList<(
            Corner Corner,
            double Mm,
            double Variance
        )> Lips { get; init; }

        /// <summary>Rise of a lip per mm of free rise at each of the four springs, in the order of <see cref="Corners.All"/>.</summary>
        public required Func<Corner, IReadOnlyList<double>> Springs { get; init; }

        /// <summary>The same per mm at each body mount or tyre.</summary>
        public required Func<Corner, IReadOnlyList<double>> Plane { get; init; }

        /// <summary>Standard uncertainty of an axle's rise that both its lips share, mm: its lift line.</summary>
        public required Func<Axle, double> LiftLineMm { get; init; }

        /// <summary>Axles on which something was changed that may lift.</summary>
        public required IReadOnlyList<Axle> Changed { get; init; }

        /// <summary>Axles that got other springs.</summary>
        public IReadOnlyList<Axle> NewSprings { get; init; } = [];

        /// <summary>Axles of which rubber was made final hanging, or left open, in writing.</summary>
        public IReadOnlyList<Axle> Hanging { get; init; } = [];

        /// <summary>How much more the left side of an axle was foretold to rise than its right one, mm.</summary>
        public Func<Axle, double> LeftOver { get; init; } = _ => 0;

        /// <summary>Whether somebody rolled or drove it before it was read.</summary>
        public bool Settled { get; init; } = true;

        /// <summary>Whether heights are read from the floor: then tyres and ground count.</summary>
        public bool FromFloor { get; init; }

        /// <summary>Whether the body stands on mounts.</summary>
        public bool OnMounts { get; init; }
    }

    /// <summary>A hypothesis: a pattern per mm of its amount, the amount before anything was read.</summary>
    private sealed record Hypothesis(
        CauseKind Kind,
        string Where,
        double Prior,
        Vector<double> Pattern,
        double Mean,
        double Sd
    );

    /// <summary>The causes of a miss.</summary>
    /// <param name="miss">What is known of it.</param>
    /// <exception cref="ArgumentException">No lip was read.</exception>
    public static Causes Of(Miss miss)
    {
        var n = miss.Lips.Count;
        if (n == 0)
        {
            throw new ArgumentException("No lip was read.", nameof(miss));
        }
        var r = Vector<double>.Build.Dense(n, i => miss.Lips[i].Mm);
        var spread = Vector<double>.Build.Dense(n, i => miss.Lips[i].Variance);
        var all = Hypotheses(miss).ToArray();
        var sum = all.Sum(h => h.Prior);
        double[] weights = [.. all.Select(h => Math.Log(h.Prior / sum) + LogDensity(h, r, spread))];
        var most = weights.Max();
        var total = weights.Sum(w => Math.Exp(w - most));
        var ranked = all.Select(
                (h, i) =>
                    (
                        Of: h,
                        Cause: new Cause(
                            h.Kind,
                            h.Where,
                            h.Prior / sum,
                            Math.Exp(weights[i] - most) / total,
                            Fitted(h, r, spread, miss)
                        )
                    )
            )
            .OrderByDescending(c => c.Cause.Chance)
            .ToList();
        var classes = new List<(Hypothesis First, List<Cause> Causes)>();
        foreach (var (of, cause) in ranked)
        {
            if (classes.FirstOrDefault(c => Same(c.First, of, spread)) is { First: not null } known)
            {
                known.Causes.Add(cause);
            }
            else
            {
                classes.Add((of, [cause]));
            }
        }
        CauseClass[] made =
        [
            .. classes
                .Select(c => new CauseClass(c.Causes.Sum(x => x.Chance), c.Causes))
                .OrderByDescending(c => c.Chance),
        ];
        return new Causes(
            made,
            [.. miss.Lips.Select(l => new OffPlan(l.Corner, l.Mm))],
            made[0].Chance >= LeastNamed
                && (made.Length == 1 || made[0].Chance >= 2 * made[1].Chance)
        );
    }

    /// <summary>Log density of what was read under a hypothesis: normal, its mean the pattern's mean amount, its covariance the readings' and the amount's.</summary>
    private static double LogDensity(Hypothesis h, Vector<double> r, Vector<double> spread)
    {
        if (h.Kind == CauseKind.Other)
        {
            // Anything at any lip.
            var wide = spread + (h.Sd * h.Sd);
            return -0.5
                * (r.PointwiseMultiply(r).PointwiseDivide(wide).Sum() + wide.PointwiseLog().Sum());
        }
        // (D + s² p pᵀ)⁻¹ and its determinant by one rank (Sherman–Morrison).
        var off = r - (h.Mean * h.Pattern);
        var weighed = h.Pattern.PointwiseDivide(spread);
        var own = h.Sd * h.Sd * weighed.DotProduct(h.Pattern);
        var along = weighed.DotProduct(off);
        var square =
            off.PointwiseMultiply(off).PointwiseDivide(spread).Sum()
            - (h.Sd * h.Sd * along * along / (1 + own));
        return -0.5 * (square + spread.PointwiseLog().Sum() + Math.Log(1 + own));
    }

    /// <summary>The pattern by the amount that fits best, given what was thought of it before.</summary>
    private static OffPlan[] Fitted(
        Hypothesis h,
        Vector<double> r,
        Vector<double> spread,
        Miss miss
    )
    {
        if (h.Kind is CauseKind.Nothing or CauseKind.Other)
        {
            return [];
        }
        var weighed = h.Pattern.PointwiseDivide(spread);
        var amount =
            h.Sd > 0
                ? ((h.Mean / (h.Sd * h.Sd)) + weighed.DotProduct(r))
                    / ((1 / (h.Sd * h.Sd)) + weighed.DotProduct(h.Pattern))
                : h.Mean;
        return [.. miss.Lips.Select((l, i) => new OffPlan(l.Corner, amount * h.Pattern[i]))];
    }

    private static bool Same(Hypothesis a, Hypothesis b, Vector<double> spread)
    {
        if (
            a.Kind is CauseKind.Nothing or CauseKind.Other
            || b.Kind is CauseKind.Nothing or CauseKind.Other
        )
        {
            return false;
        }
        var (one, other) = (a.Pattern.PointwiseDivide(spread), b.Pattern.PointwiseDivide(spread));
        var cosine =
            one.DotProduct(b.Pattern)
            / Math.Sqrt(one.DotProduct(a.Pattern) * other.DotProduct(b.Pattern));
        return Math.Abs(cosine) >= Alike;
    }

    /// <summary>Every cause that can be on this vehicle after this change; what cannot be leaves its prior to the rest.</summary>
    private static IEnumerable<Hypothesis> Hypotheses(Miss miss)
    {
        var n = miss.Lips.Count;
        Vector<double> Pattern(Func<Corner, double> of) =>
            Vector<double>.Build.Dense(n, i => of(miss.Lips[i].Corner));
        Vector<double> Springs(Func<int, double> free) =>
            Pattern(c => miss.Springs(c).Select((s, i) => s * free(i)).Sum());
        Vector<double> OfAxle(Axle axle) =>
            Springs(i => Corners.AxleOf(Corners.All[i]) == axle ? 1 : 0);

        yield return new(CauseKind.Nothing, "vehicle", 0.45, Pattern(_ => 0), 0, 0);
        foreach (var axle in Corners.Axles)
        {
            var (where, pattern) = (axle.Said(), OfAxle(axle));
            yield return new(
                CauseKind.NotSettled,
                where,
                (miss.Settled ? 0.08 : 0.25) / 2,
                pattern,
                6,
                4
            );
            if (!miss.Changed.Contains(axle))
            {
                continue;
            }
            var share = 1.0 / miss.Changed.Count;
            yield return new(
                CauseKind.TightenedHanging,
                where,
                (miss.Hanging.Contains(axle) ? 0.25 : 0.04) * share,
                pattern,
                5,
                3
            );
            if (miss.LiftLineMm(axle) is > 0 and var line)
            {
                yield return new(CauseKind.LiftLine, where, 0.12 * share, pattern, 0, line);
            }
            if (miss.NewSprings.Contains(axle))
            {
                var springs = 1.0 / miss.NewSprings.Count;
                yield return new(CauseKind.OtherLoad, where, 0.06 * springs, pattern, -10, 15);
                yield return new(CauseKind.SaggedMore, where, 0.04 * springs, pattern, 10, 10);
            }
            foreach (var corner in Corners.Of(axle))
            {
                yield return new(
                    CauseKind.NotSeated,
                    corner.Name(),
                    0.05 / (2 * miss.Changed.Count),
                    Springs(i => Corners.All[i] == corner ? 1 : 0),
                    8,
                    5
                );
            }
            if (Math.Abs(miss.LeftOver(axle)) > 0.5)
            {
                var over = miss.LeftOver(axle);
                yield return new(
                    CauseKind.SidesSwapped,
                    where,
                    0.01 * share,
                    Springs(i =>
                        Corners.AxleOf(Corners.All[i]) != axle ? 0
                        : i % 2 == 0 ? -1
                        : 1
                    ),
                    over,
                    0
                );
            }
        }
        foreach (var (corner, _, _) in miss.Lips)
        {
            // A datum that was mixed up moves one reading as a slip does, by more.
            yield return new(
                CauseKind.Slip,
                corner.Name(),
                0.06 / n,
                Pattern(c => c == corner ? 1 : 0),
                0,
                15
            );
            if (miss.FromFloor)
            {
                yield return new(
                    CauseKind.TyreLow,
                    corner.Name(),
                    0.02 / n,
                    Pattern(c => miss.Plane(c)[Array.IndexOf([.. Corners.All], corner)]),
                    -6,
                    4
                );
            }
        }
        if (miss.OnMounts)
        {
            for (var left = 0; left < 2; left++)
            {
                var side = left;
                yield return new(
                    CauseKind.MountCrushed,
                    side == 0 ? "left" : "right",
                    0.005,
                    Pattern(c => miss.Plane(c).Where((_, i) => i % 2 == side).Sum()),
                    -8,
                    5
                );
            }
        }
        yield return new(CauseKind.Other, "vehicle", 0.04, Pattern(_ => 0), 0, 15);
    }
}
