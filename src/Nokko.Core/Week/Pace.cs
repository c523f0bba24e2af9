using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.LinearAlgebra.Factorization;

namespace Nokko.Core.Week;

/// <summary>A step that somebody timed.</summary>
/// <param name="Fitting">The plan whose card it was on.</param>
/// <param name="Work">What was worked on, as <see cref="Nokko.Core.Fitting.CardStep.Work"/> says it.</param>
/// <param name="Second">Whether the same was done on the other side before.</param>
/// <param name="Minutes">How long it took, min, above 0.</param>
/// <param name="Usual">The rule of thumb that stood on the card, min, above 0.</param>
public sealed record TimedStep(
    Guid Fitting,
    string Work,
    bool Second,
    double Minutes,
    double Usual
);

/// <summary>Work that is still to be done.</summary>
/// <param name="Work">What is worked on.</param>
/// <param name="Second">Whether the same is done on the other side before.</param>
/// <param name="Usual">The rule of thumb, min, above 0.</param>
/// <param name="People">How many it needs.</param>
/// <param name="Guess">Whether nobody knows yet what is to be done.</param>
public sealed record WorkLeft(
    string Work,
    bool Second,
    double Usual,
    int People = 1,
    bool Guess = false
);

/// <summary>How long work takes: log-normal, as what is never below nothing and now and then takes twice as long.</summary>
/// <param name="Median">As likely shorter as longer, min; 0 where nothing is left.</param>
/// <param name="LogSd">Standard deviation of its logarithm.</param>
/// <param name="SharedLogSd">The part of it that all jobs of the shop share: how far its pace is known.</param>
/// <param name="Steps">How many steps are left.</param>
/// <param name="Timed">Of those, how many were timed here before.</param>
/// <param name="TwoSteps">How many need two people.</param>
/// <param name="TwoShare">Their share of the whole, 0 … 1.</param>
public sealed record WorkTime(
    double Median,
    double LogSd,
    double SharedLogSd,
    int Steps,
    int Timed,
    int TwoSteps,
    double TwoShare
)
{
    /// <summary>The time below which it stays with a chance.</summary>
    /// <param name="z">Standard normal deviate of the chance.</param>
    public double At(double z) => Median * Math.Exp(LogSd * z);
}

/// <summary>What timed steps tell of the time that other steps take: the shop's pace against the rule of thumb, what a kind of step takes more or less than that, and how a vehicle goes today.</summary>
/// <remarks>Source: docs/computation/week.md#hours. ln(minutes / rule of thumb) = pace + kind of step + vehicle + rest, all normal; solved exactly.</remarks>
public sealed class Pace
{
    /// <summary>How far a shop's pace lies from the rule of thumb, as a standard deviation of the logarithm. Rule of thumb.</summary>
    public const double PaceSd = 0.4;

    /// <summary>How far one kind of step lies from the shop's pace. Rule of thumb.</summary>
    public const double KindSd = 0.4;

    /// <summary>How far one vehicle lies from another: rust, salt, hands, the day. Rule of thumb.</summary>
    public const double VehicleSd = 0.25;

    /// <summary>What is left from one time to the next. Rule of thumb.</summary>
    public const double RestSd = 0.35;

    /// <summary>How far it lies where nobody knows yet what is to be done. Rule of thumb.</summary>
    public const double GuessSd = 0.6;

    /// <summary>How far a fitter's own word on the whole lies. Rule of thumb.</summary>
    public const double OwnWordSd = 0.25;

    /// <summary>The rules of thumb of how far things spread weigh as much as so many steps.</summary>
    public const double Weight = 20;

    /// <summary>Times further off than this many times are no times: a clock that ran over night.</summary>
    public const double Absurd = 8;

    /// <summary>Most steps that are looked at, the latest.</summary>
    public const int Most = 1_500;

    private readonly Effects _kinds = new(KindSd);
    private readonly Effects _vehicles = new(VehicleSd);

    /// <summary>Of kinds and vehicles the fewer: solved for with the pace; the others follow one by one.</summary>
    private readonly Effects _kept;
    private readonly Effects _others;
    private readonly Cholesky<double> _solved;
    private readonly Vector<double> _mean;
    private readonly double[] _meanOfOthers;

    private Pace(IReadOnlyList<TimedStep> timed)
    {
        Timed = timed.Count;
        foreach (var step in timed)
        {
            _kinds.Know((step.Work, step.Second));
            _vehicles.Know(step.Fitting);
        }
        (_kept, _others) =
            _kinds.Count <= _vehicles.Count ? (_kinds, _vehicles) : (_vehicles, _kinds);
        const double per = 1 / (RestSd * RestSd);
        var precision = Matrix<double>.Build.DenseOfMatrix(
            Matrix<double>.Build.Diagonal(
                1 + _kept.Count,
                1 + _kept.Count,
                i => 1 / Square(i == 0 ? PaceSd : _kept.Sd)
            )
        );
        var b = Vector<double>.Build.Dense(1 + _kept.Count);
        var squares = 0.0;
        foreach (var step in timed)
        {
            var y = Math.Log(step.Minutes / step.Usual);
            var (kind, vehicle) = (
                _kinds.Find((step.Work, step.Second)),
                _vehicles.Find(step.Fitting)
            );
            var (kept, other) = _kept == _kinds ? (kind, vehicle) : (vehicle, kind);
            int[] at = [0, 1 + kept];
            foreach (var i in at)
            {
                b[i] += y * per;
                foreach (var j in at)
                {
                    precision[i, j] += per;
                }
            }
            _others.Meet(other, kept, per, y * per);
            squares += y * y * per;
        }
        // No two of the others share a step: each is taken out by itself (Schur's complement).
        foreach (var other in _others.All)
        {
            foreach (var (i, x) in other.Meets)
            {
                b[i] -= x * other.Sum / other.Precision;
                foreach (var (j, z) in other.Meets)
                {
                    precision[i, j] -= x * z / other.Precision;
                }
            }
        }
        _solved = precision.Cholesky();
        _mean = _solved.Solve(b);
        _meanOfOthers =
        [
            .. _others.All.Select(o =>
                (o.Sum - o.Meets.Sum(m => m.Value * _mean[m.Key])) / o.Precision
            ),
        ];
        // How far they spread here against the rules of thumb: conjugate, one scale for all.
        var told = (b * _mean) + _others.All.Sum(o => Square(o.Sum) / o.Precision);
        Spread = (Weight + squares - told) / (Weight + timed.Count);
        LogSd = Math.Sqrt(Spread * Shared(Seen(-1, -1), Seen(-1, -1)));
    }

    /// <summary>How many steps it is learned from.</summary>
    public int Timed { get; }

    /// <summary>How far times spread here against the rules of thumb, as a factor on the variance; 1 while nothing was timed.</summary>
    public double Spread { get; }

    /// <summary>The shop's pace: minutes for each minute of the rules of thumb.</summary>
    public double Factor => Math.Exp(_mean[0]);

    /// <summary>Standard deviation of the logarithm of the pace.</summary>
    public double LogSd { get; }

    /// <summary>Learns from timed steps.</summary>
    /// <param name="timed">The steps; what is absurd is left out.</param>
    public static Pace Of(IEnumerable<TimedStep> timed) =>
        new([
            .. timed.Where(t =>
                t is { Minutes: > 0, Usual: > 0 }
                && Math.Abs(Math.Log(t.Minutes / t.Usual)) <= Math.Log(Absurd)
            ),
        ]);

    /// <summary>How long work takes that is left.</summary>
    /// <param name="fitting">The plan whose card it is: what is timed of it tells how this vehicle goes. Null where none is begun.</param>
    /// <param name="left">The work.</param>
    public WorkTime Of(Guid? fitting, IReadOnlyList<WorkLeft> left)
    {
        if (left.Count == 0)
        {
            return new WorkTime(0, 0, 0, 0, 0, 0, 0);
        }
        var vehicle = fitting is { } f ? _vehicles.Find(f) : -1;
        var steps = left.Select(s => (Step: s, Kind: _kinds.Find((s.Work, s.Second)))).ToArray();
        var seen = steps.Select(s => s.Kind).Distinct().ToDictionary(k => k, k => Seen(k, vehicle));
        var expected = new double[steps.Length];
        var covariance = new double[steps.Length, steps.Length];
        for (var i = 0; i < steps.Length; i++)
        {
            for (var j = i; j < steps.Length; j++)
            {
                covariance[i, j] = covariance[j, i] = Covariance(i, j);
            }
            expected[i] =
                steps[i].Step.Usual * Math.Exp(seen[steps[i].Kind].Mean + (covariance[i, i] / 2));
        }
        var mean = expected.Sum();
        var (variance, two) = (0.0, 0.0);
        for (var i = 0; i < steps.Length; i++)
        {
            two += steps[i].Step.People > 1 ? expected[i] : 0;
            for (var j = 0; j < steps.Length; j++)
            {
                variance += expected[i] * expected[j] * (Math.Exp(covariance[i, j]) - 1);
            }
        }
        // A sum of log-normals, as the log-normal of the same mean and variance.
        var log = Math.Log(1 + (variance / (mean * mean)));
        return new WorkTime(
            mean * Math.Exp(-log / 2),
            Math.Sqrt(log),
            Math.Min(LogSd, Math.Sqrt(log)),
            steps.Length,
            steps.Count(s => s.Kind >= 0),
            steps.Count(s => s.Step.People > 1),
            two / mean
        );

        double Covariance(int i, int j)
        {
            var (a, b) = (steps[i], steps[j]);
            var sum = Shared(seen[a.Kind], seen[b.Kind]);
            sum += vehicle < 0 ? Square(VehicleSd) : 0;
            if (a.Kind < 0 && (a.Step.Work, a.Step.Second) == (b.Step.Work, b.Step.Second))
            {
                sum += Square(a.Step.Guess ? GuessSd : KindSd);
            }
            return Spread * (sum + (i == j ? Square(RestSd) : 0));
        }
    }

    /// <summary>How long what is left takes, by a fitter's own word on the whole.</summary>
    /// <param name="minutes">His word on the whole, min.</param>
    /// <param name="share">What is left of it, 0 … 1.</param>
    /// <param name="byCard">What the card says.</param>
    public static WorkTime ByWord(double minutes, double share, WorkTime byCard) =>
        byCard with
        {
            Median = minutes * share,
            LogSd = minutes * share > 0 ? OwnWordSd : 0,
            SharedLogSd = 0,
        };

    /// <summary>What is known of a step: its mean, and how it hangs together with others.</summary>
    /// <param name="Other">Which of the others it meets; −1 for none.</param>
    /// <param name="Weights">Its part in the pace and in those that are kept, once the others are out.</param>
    /// <param name="Solved">The same, solved.</param>
    /// <param name="Mean">Mean of its logarithm against the rule of thumb.</param>
    private sealed record SeenStep(
        int Other,
        Vector<double> Weights,
        Vector<double> Solved,
        double Mean
    );

    private SeenStep Seen(int kind, int vehicle)
    {
        var (kept, other) = _kept == _kinds ? (kind, vehicle) : (vehicle, kind);
        var weights = Vector<double>.Build.Dense(1 + _kept.Count);
        weights[0] = 1;
        if (kept >= 0)
        {
            weights[1 + kept] = 1;
        }
        if (other >= 0)
        {
            foreach (var (i, x) in _others.All[other].Meets)
            {
                weights[i] -= x / _others.All[other].Precision;
            }
        }
        return new SeenStep(
            other,
            weights,
            _solved.Solve(weights),
            _mean[0] + (kept >= 0 ? _mean[1 + kept] : 0) + (other >= 0 ? _meanOfOthers[other] : 0)
        );
    }

    /// <summary>What two steps share of their uncertainty.</summary>
    private double Shared(SeenStep a, SeenStep b) =>
        (a.Weights * b.Solved)
        + (a.Other >= 0 && a.Other == b.Other ? 1 / _others.All[a.Other].Precision : 0);

    private static double Square(double x) => x * x;

    /// <summary>Kinds of steps, or vehicles: each with what its steps tell.</summary>
    private sealed class Effects(double sd)
    {
        private readonly Dictionary<object, int> _known = [];

        /// <summary>How far one lies from another, before anything is known.</summary>
        public double Sd => sd;

        public List<Effect> All { get; } = [];

        public int Count => All.Count;

        public void Know(object key)
        {
            if (_known.TryAdd(key, All.Count))
            {
                All.Add(new Effect { Precision = 1 / Square(sd) });
            }
        }

        /// <summary>Its place; −1 where nothing is known of it.</summary>
        public int Find(object key) => _known.GetValueOrDefault(key, -1);

        /// <summary>Takes a step in that it has together with one of those that are kept.</summary>
        public void Meet(int at, int kept, double per, double sum)
        {
            var effect = All[at];
            effect.Precision += per;
            effect.Sum += sum;
            foreach (var i in new[] { 0, 1 + kept })
            {
                effect.Meets[i] = effect.Meets.GetValueOrDefault(i) + per;
            }
        }
    }

    private sealed class Effect
    {
        public double Precision { get; set; }
        public double Sum { get; set; }

        /// <summary>What it shares with the pace (0) and with those that are kept (1 …).</summary>
        public Dictionary<int, double> Meets { get; } = [];
    }
}
