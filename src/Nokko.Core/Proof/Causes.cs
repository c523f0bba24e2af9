using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Plans;
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

    /// <summary>Another load is in the vehicle than before.</summary>
    OtherCargo,

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
    /// <summary>What it is called, in a fitter's words.</summary>
    public string Said => CauseWords.Said(Kind, Where);
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
/// <param name="Checks">What can be checked, the one that tells most a minute first; what was checked already stands last.</param>
/// <param name="PassHours">Hours until it sits right by a second pass at once, what may be in vain in it.</param>
/// <param name="CheckHours">Hours until it sits right by checking first, in the order of the checks, as long as that pays.</param>
public sealed partial record Causes(
    IReadOnlyList<CauseClass> Classes,
    IReadOnlyList<OffPlan> Off,
    bool Named,
    IReadOnlyList<CauseCheck> Checks,
    double PassHours,
    double CheckHours
)
{
    /// <summary>Whether to check first takes less than a second pass at once.</summary>
    public bool CheckFirst => CheckHours < PassHours;

    /// <summary>Least chance of a class that is named.</summary>
    public const double LeastNamed = 0.6;

    /// <summary>Patterns are one where their directions agree better than this, the cosine between them weighed by what the readings can be wrong by.</summary>
    private const double Alike = 0.95;

    /// <summary>By which share the difference of two sides that were swapped may be another one: a rule of thumb, as vehicles of one platform differ.</summary>
    private const double SwappedShare = 0.06;

    /// <summary>What was read beside the lips.</summary>
    public enum SpareKind
    {
        /// <summary>The hub over the floor.</summary>
        Tyre,

        /// <summary>The body over its frame.</summary>
        Mounts,
    }

    /// <summary>A reading beside the lips that tells causes apart: what it moved by, less what the plan moves it by.</summary>
    /// <param name="Of">What was read.</param>
    /// <param name="Corner">Where.</param>
    /// <param name="Mm">By what, mm, up above zero.</param>
    /// <param name="Variance">Of that, mm².</param>
    public sealed record Spare(SpareKind Of, Corner Corner, double Mm, double Variance);

    /// <summary>How far a mechanism moved otherwise than foretold: an axle's offset, a pinion's angle. It turns with the frame over its axle, not with a lip, a tyre or a mount.</summary>
    /// <param name="Off">Measured less foretold, mm or °.</param>
    /// <param name="Variance">Of that, mm² or °², without what the lift line moves.</param>
    /// <param name="More">By how much more it moves where the frame stands higher.</param>
    public sealed record Turned(double Off, double Variance, MovedPerMm More);

    /// <summary>An outcome of a check.</summary>
    /// <param name="Kind">The cause that was checked.</param>
    /// <param name="Where">Where.</param>
    /// <param name="WasIt">Whether it was that.</param>
    /// <param name="OnThese">Whether it was checked on these readings, not on earlier ones: what was found then was put right since.</param>
    public sealed record Outcome(CauseKind Kind, string Where, bool WasIt, bool OnThese);

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

        /// <summary>How much more the left spring of an axle was to rise freely than its right one, mm.</summary>
        public Func<Axle, double> LeftOver { get; init; } = _ => 0;

        /// <summary>Whether somebody rolled or drove it before it was read.</summary>
        public bool Settled { get; init; } = true;

        /// <summary>Whether heights are read from the floor: then tyres and ground count.</summary>
        public bool FromFloor { get; init; }

        /// <summary>Whether the body stands on mounts.</summary>
        public bool OnMounts { get; init; }

        /// <summary>What was read beside the lips.</summary>
        public IReadOnlyList<Spare> Spares { get; init; } = [];

        /// <summary>Mechanisms that were read before and after, and set by no part of the plan.</summary>
        public IReadOnlyList<Turned> Turned { get; init; } = [];

        /// <summary>Lips that were read twice now, both alike.</summary>
        public IReadOnlyList<Corner> TwiceNow { get; init; } = [];

        /// <summary>Lips that were read twice before the work, both alike.</summary>
        public IReadOnlyList<Corner> TwiceBefore { get; init; } = [];

        /// <summary>Whether load, fuel or people were others before than now; null where nobody noted it.</summary>
        public bool? CargoDiffers { get; init; }

        /// <summary>How far it was driven since the work, km; 0 where nobody noted it.</summary>
        public double DrivenKm { get; init; }

        /// <summary>What was checked, in order.</summary>
        public IReadOnlyList<Outcome> Checked { get; init; } = [];

        /// <summary>How often the shop found each kind by its check.</summary>
        public IReadOnlyDictionary<CauseKind, int> Confirmed { get; init; } =
            new Dictionary<CauseKind, int>();

        /// <summary>Hours of a second pass, with settling and walking round again.</summary>
        public double PassHours { get; init; } = 4;
    }

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
        var r = Vector<double>.Build.DenseOfEnumerable(
            miss.Lips.Select(l => l.Mm)
                .Concat(miss.Spares.Select(s => s.Mm))
                .Concat(miss.Turned.Select(t => t.Off))
        );
        var spread = Vector<double>.Build.DenseOfEnumerable(
            miss.Lips.Select(l => l.Variance)
                .Concat(miss.Spares.Select(s => s.Variance))
                .Concat(miss.Turned.Select(t => t.Variance))
        );
        var all = Hypotheses(miss);
        var made = Outcomes(miss);
        double[] weights =
        [
            .. all.Select(h =>
                Math.Log(h.Prior)
                + LogDensity(h, r, spread, n)
                + made.Sum(m =>
                    Math.Log(m.Value ? Finds(m.Key, h, miss) : 1 - Finds(m.Key, h, miss))
                )
            ),
        ];
        var most = weights.Max();
        var total = weights.Sum(w => Math.Exp(w - most));
        double[] chances = [.. weights.Select(w => Math.Exp(w - most) / total)];
        var ranked = all.Select(
                (h, i) =>
                    (
                        Of: h,
                        Cause: new Cause(
                            h.Kind,
                            h.Where,
                            h.Prior,
                            chances[i],
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
        CauseClass[] ranks =
        [
            .. classes
                .Select(c => new CauseClass(c.Causes.Sum(x => x.Chance), c.Causes))
                .OrderByDescending(c => c.Chance),
        ];
        return new Causes(
            ranks,
            [.. miss.Lips.Select(l => new OffPlan(l.Corner, l.Mm))],
            ranks[0].Chance >= LeastNamed
                && (ranks.Length == 1 || ranks[0].Chance >= 2 * ranks[1].Chance),
            ChecksOf(all, chances, miss),
            SecondPassHours(all, chances, miss),
            HoursByChecking(all, chances, miss)
        );
    }

    /// <summary>Log density of what was read under a hypothesis: normal, its mean the pattern's mean amount, its covariance the readings' and the amount's.</summary>
    private static double LogDensity(
        Hypothesis h,
        Vector<double> r,
        Vector<double> spread,
        int lips
    )
    {
        if (h.Kind == CauseKind.Other)
        {
            // Anything at any lip.
            var wide = spread.MapIndexed((i, v) => i < lips ? v + (h.Sd * h.Sd) : v);
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
}
