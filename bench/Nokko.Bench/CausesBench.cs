using Nokko.Core.Proof;
using Nokko.Core.Stance;
using Nokko.Core.Vehicles;

namespace Nokko.Bench;

/// <summary>Drawn misses whose cause is known: is it found, are the chances what they say, and what does each way take until it sits right.</summary>
internal static class CausesBench
{
    /// <summary>Misses of which every hour is drawn.</summary>
    private const int Misses = 2_000;

    /// <summary>Misses of which only the chances are looked at: fewer leave ten bins to luck.</summary>
    private const int Chances = 20_000;

    /// <summary>Standard uncertainty of what a lip stands off its plan, mm, without its lift line.</summary>
    private const double LipU = 2;

    /// <summary>Minutes to read all four lips again.</summary>
    private const double AllAgainMinutes = 20;

    // A pickup on its springs: supports in mm and N/mm, a sway bar in front.
    private static readonly BodyOnSprings Body = new(
        [new(0, 820, 28, 0), new(0, -820, 28, 0), new(-3600, 540, 34, 0), new(-3600, -540, 34, 0)],
        [new(0, 1, 9)]
    );

    private static readonly BodyOnSprings Plane = new([
        new(0, 820, 1, 0),
        new(0, -820, 1, 0),
        new(-3600, 820, 1, 0),
        new(-3600, -820, 1, 0),
    ]);

    /// <summary>What came of all misses.</summary>
    /// <param name="First">Share of misses that can be told apart whose class stands first.</param>
    /// <param name="Named">Share of named classes that are it.</param>
    /// <param name="Bins">Greatest difference between a stated chance and how often it was so, in ten bins.</param>
    /// <param name="Checking">Mean hours by the next act, again and again.</param>
    /// <param name="AtOnce">Mean hours by a second pass at once.</param>
    /// <param name="AllAgain">Mean hours by reading everything again, then a second pass.</param>
    public sealed record Outcome(
        double First,
        double Named,
        double Bins,
        double Checking,
        double AtOnce,
        double AllAgain
    );

    public static Outcome Run()
    {
        var random = new Random(17);
        var priors = Causes.Of(Miss([0, 0, 0, 0])).Classes.SelectMany(c => c.Causes).ToArray();
        var (apart, first, named, right) = (0, 0, 0, 0);
        var (count, stated, was) = (new int[10], new double[10], new double[10]);
        var (checking, atOnce, allAgain) = (0.0, 0.0, 0.0);
        for (var k = 0; k < Chances; k++)
        {
            var (truth, moved) = Draw(priors, random);
            var miss = Miss([.. moved.Select(m => m + (LipU * Normal(random)))]);
            var causes = Causes.Of(miss);
            bool Is(CauseClass c) =>
                c.Causes.Any(x => x.Kind == truth.Kind && x.Where == truth.Where);
            foreach (var c in causes.Classes)
            {
                var bin = Math.Min(9, (int)(10 * c.Chance));
                count[bin]++;
                stated[bin] += c.Chance;
                was[bin] += Is(c) ? 1 : 0;
            }
            // What moved a lip by less than twice what it can be wrong by is not told from nothing.
            if (truth.Kind != CauseKind.Other && moved.Max(Math.Abs) > 4 * LipU)
            {
                apart++;
                first += Is(causes.Classes[0]) ? 1 : 0;
            }
            named += causes.Named ? 1 : 0;
            right += causes.Named && Is(causes.Classes[0]) ? 1 : 0;
            if (k >= Misses)
            {
                continue;
            }
            checking += Hours(miss, truth, random);
            var pass = miss.PassHours * (2 - CauseRule.Of(truth.Kind).Stays);
            atOnce += pass;
            // A slip of now is found by it, one of before the work is not.
            allAgain +=
                (AllAgainMinutes / 60)
                + (
                    truth.Kind is CauseKind.Slip && random.NextDouble() < 0.5 ? 0
                    : truth.Kind is CauseKind.NotSettled && random.NextDouble() < 0.5 ? 0
                    : pass
                );
        }
        return new(
            (double)first / apart,
            (double)right / named,
            Enumerable
                .Range(0, 10)
                .Where(b => count[b] >= 500)
                .Max(b => Math.Abs(stated[b] - was[b]) / count[b]),
            checking / Misses,
            atOnce / Misses,
            allAgain / Misses
        );
    }

    private static Causes.Miss Miss(double[] mm) =>
        new()
        {
            Lips = [.. Corners.All.Select((c, i) => (c, mm[i], LipU * LipU))],
            Springs = c => Body.Response(Lip(c).X, Lip(c).Y),
            Plane = c => Plane.Response(Lip(c).X, Lip(c).Y),
            LiftLineMm = _ => 6,
            Changed = [Axle.Front, Axle.Rear],
            NewSprings = [Axle.Rear],
            FromFloor = true,
            OnMounts = true,
        };

    private static (double X, double Y) Lip(Corner c) =>
        (Corners.AxleOf(c) == Axle.Front ? 0 : -3600, c is Corner.LF or Corner.LR ? 800 : -800);

    /// <summary>A cause by its prior, and what it does to the lips.</summary>
    private static (Cause Truth, double[] Moved) Draw(Cause[] priors, Random random)
    {
        var pick = random.NextDouble();
        var truth = priors.First(c => (pick -= c.Prior) <= 0 || c == priors[^1]);
        var rule = CauseRule.Of(truth.Kind);
        var amount =
            rule.Mean + ((truth.Kind == CauseKind.LiftLine ? 6 : rule.Sd) * Normal(random));
        return (
            truth,
            [
                .. Corners.All.Select(c =>
                {
                    var (springs, plane) = (
                        Body.Response(Lip(c).X, Lip(c).Y),
                        Plane.Response(Lip(c).X, Lip(c).Y)
                    );
                    var own = Corners.Named(truth.Where) is { } at
                        ? Array.IndexOf([.. Corners.All], at)
                        : -1;
                    return truth.Kind switch
                    {
                        CauseKind.Nothing => 0,
                        CauseKind.Other => rule.Sd * Normal(random),
                        CauseKind.Slip => c.Name() == truth.Where ? amount : 0,
                        CauseKind.NotSeated => amount * springs[own],
                        CauseKind.TyreLow => amount * plane[own],
                        CauseKind.MountCrushed => amount
                            * (truth.Where == "left" ? plane[0] + plane[2] : plane[1] + plane[3]),
                        CauseKind.OtherCargo => amount * (springs[2] + springs[3]),
                        _ => amount
                            * (
                                truth.Where == "front"
                                    ? springs[0] + springs[1]
                                    : springs[2] + springs[3]
                            ),
                    };
                }),
            ]
        );
    }

    /// <summary>Hours until it sits right by doing what comes next, each outcome drawn.</summary>
    private static double Hours(Causes.Miss miss, Cause truth, Random random)
    {
        var took = 0.0;
        var stays = CauseRule.Of(truth.Kind).Stays;
        while (true)
        {
            var causes = Causes.Of(miss);
            if (!causes.CheckFirst || causes.Checks is not [{ Bits: > 0 } check, ..])
            {
                return took + (miss.PassHours * (2 - stays));
            }
            took += check.Minutes / 60.0;
            var rule = CauseRule.Of(check.Kind);
            var isIt =
                check.Kind == truth.Kind
                && (check.Where == truth.Where || check.Kind == CauseKind.NotSettled);
            var finds =
                !isIt ? rule.Cries
                : check.Kind == CauseKind.Slip ? (rule.Sees + rule.Cries) / 2
                : rule.Sees;
            if (random.NextDouble() < finds)
            {
                return took + rule.MendHours + (isIt ? stays * miss.PassHours : miss.PassHours);
            }
            miss = miss with
            {
                Checked = [.. miss.Checked, new(check.Kind, check.Where, false, true)],
            };
        }
    }

    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble()))
        * Math.Cos(2 * Math.PI * random.NextDouble());
}
