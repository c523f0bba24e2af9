using MathNet.Numerics.LinearAlgebra;

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

    private readonly Dictionary<(string, bool), int> _kinds = [];
    private readonly Dictionary<Guid, int> _fittings = [];
    private readonly Vector<double> _mean;
    private readonly Matrix<double> _covariance;

    private Pace(IReadOnlyList<TimedStep> timed)
    {
        Timed = timed.Count;
        foreach (var step in timed)
        {
            _kinds.TryAdd((step.Work, step.Second), 1 + _kinds.Count);
        }
        foreach (var step in timed)
        {
            _fittings.TryAdd(step.Fitting, 1 + _kinds.Count + _fittings.Count);
        }
        var size = 1 + _kinds.Count + _fittings.Count;
        var prior = Vector<double>.Build.Dense(
            size,
            i =>
                1
                / Square(
                    i == 0 ? PaceSd
                    : i <= _kinds.Count ? KindSd
                    : VehicleSd
                )
        );
        var precision = Matrix<double>.Build.DenseOfDiagonalVector(prior);
        var b = Vector<double>.Build.Dense(size);
        var squares = 0.0;
        foreach (var step in timed)
        {
            var y = Math.Log(step.Minutes / step.Usual);
            int[] at = [0, _kinds[(step.Work, step.Second)], _fittings[step.Fitting]];
            foreach (var i in at)
            {
                b[i] += y / Square(RestSd);
                foreach (var j in at)
                {
                    precision[i, j] += 1 / Square(RestSd);
                }
            }
            squares += y * y / Square(RestSd);
        }
        _covariance = precision.Cholesky().Solve(Matrix<double>.Build.DenseIdentity(size));
        _mean = _covariance * b;
        // How far they spread here against the rules of thumb: conjugate, one scale for all.
        Spread = (Weight + squares - (b * _mean)) / (Weight + timed.Count);
    }

    /// <summary>How many steps it is learned from.</summary>
    public int Timed { get; }

    /// <summary>How far times spread here against the rules of thumb, as a factor on the variance; 1 while nothing was timed.</summary>
    public double Spread { get; }

    /// <summary>The shop's pace: minutes for each minute of the rules of thumb.</summary>
    public double Factor => Math.Exp(_mean[0]);

    /// <summary>Standard deviation of the logarithm of the pace.</summary>
    public double LogSd => Math.Sqrt(Spread * _covariance[0, 0]);

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
        var vehicle = fitting is { } f && _fittings.TryGetValue(f, out var known) ? known : -1;
        var steps = left.Select(s =>
                (Step: s, Kind: _kinds.GetValueOrDefault((s.Work, s.Second), -1))
            )
            .ToArray();
        var expected = new double[steps.Length];
        var covariance = new double[steps.Length, steps.Length];
        for (var i = 0; i < steps.Length; i++)
        {
            for (var j = i; j < steps.Length; j++)
            {
                covariance[i, j] = covariance[j, i] = Covariance(i, j);
            }
            int[] at = At(i);
            expected[i] =
                steps[i].Step.Usual * Math.Exp(at.Sum(k => _mean[k]) + (covariance[i, i] / 2));
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

        int[] At(int i) => [.. new[] { 0, steps[i].Kind, vehicle }.Where(k => k >= 0)];

        double Covariance(int i, int j)
        {
            var (a, b) = (steps[i], steps[j]);
            var sum = At(i).Sum(k => At(j).Sum(l => _covariance[k, l]));
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

    private static double Square(double x) => x * x;
}
