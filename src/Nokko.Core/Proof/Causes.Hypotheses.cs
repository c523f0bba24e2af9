using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Proof;

/// <content>Every cause that can be on a vehicle after a change.</content>
public sealed partial record Causes
{
    /// <summary>A hypothesis: a pattern per mm of its amount, the amount before anything was read.</summary>
    private sealed record Hypothesis(
        CauseKind Kind,
        string Where,
        double Prior,
        Vector<double> Pattern,
        double Mean,
        double Sd
    );

    /// <summary>Every cause that can be on this vehicle after this change; what cannot be leaves its prior to the rest.</summary>
    private static Hypothesis[] Hypotheses(Miss miss)
    {
        var all = new List<Hypothesis>();
        var n = miss.Lips.Count;
        foreach (var axle in Corners.Axles)
        {
            OfAxle(axle);
        }
        foreach (var (corner, _, _) in miss.Lips)
        {
            // A datum that was mixed up moves one reading as a slip does, by more.
            Add(
                CauseKind.Slip,
                corner.Name(),
                (SlipNow(miss, corner) + SlipBefore(miss, corner)) / n,
                Lips(c => c == corner ? 1 : 0)
            );
            if (miss.FromFloor)
            {
                Add(
                    CauseKind.TyreLow,
                    corner.Name(),
                    1.0 / n,
                    Lips(
                        c => miss.Plane(c)[Index(corner)],
                        s => s.Of == SpareKind.Tyre && s.Corner == corner ? 1 : 0
                    )
                );
            }
        }
        if (miss.OnMounts)
        {
            foreach (var (side, name) in new[] { (0, "left"), (1, "right") })
            {
                Add(
                    CauseKind.MountCrushed,
                    name,
                    0.5,
                    Lips(
                        c => miss.Plane(c).Where((_, i) => i % 2 == side).Sum(),
                        s => s.Of == SpareKind.Mounts && Index(s.Corner) % 2 == side ? 1 : 0
                    )
                );
            }
        }
        // What stood in it then and now is noted and alike: it is not that.
        if (miss.CargoDiffers != false)
        {
            Add(
                CauseKind.OtherCargo,
                "vehicle",
                miss.CargoDiffers == true
                    ? CauseRule.ShareOtherCargo / CauseRule.Of(CauseKind.OtherCargo).Share
                    : 1,
                Springs(i => Corners.AxleOf(Corners.All[i]) == Axle.Rear ? 1 : 0)
            );
        }
        Add(CauseKind.Nothing, "vehicle", 1, Lips(_ => 0));
        Add(CauseKind.Other, "vehicle", 1, Lips(_ => 0));
        var sum = all.Sum(h => h.Prior);
        return [.. all.Select(h => h with { Prior = h.Prior / sum })];

        void OfAxle(Axle axle)
        {
            var (where, pattern) = (axle.Said(), BothOf(axle));
            // After 100 miles what comes down has come down.
            if (miss.DrivenKm < CauseRule.SettledKm)
            {
                Add(
                    CauseKind.NotSettled,
                    where,
                    0.5
                        * (
                            miss.Settled
                                ? 1
                                : CauseRule.ShareUnrolled / CauseRule.Of(CauseKind.NotSettled).Share
                        ),
                    pattern
                );
            }
            if (!miss.Changed.Contains(axle))
            {
                return;
            }
            var share = 1.0 / miss.Changed.Count;
            Add(
                CauseKind.TightenedHanging,
                where,
                share
                    * (
                        miss.Hanging.Contains(axle)
                            ? CauseRule.ShareHanging
                                / CauseRule.Of(CauseKind.TightenedHanging).Share
                            : 1
                    ),
                pattern
            );
            if (miss.LiftLineMm(axle) is > 0 and var line)
            {
                Add(CauseKind.LiftLine, where, share, pattern, sd: line);
            }
            if (miss.NewSprings.Contains(axle))
            {
                var springs = 1.0 / miss.NewSprings.Count;
                Add(CauseKind.OtherLoad, where, springs, pattern);
                Add(CauseKind.SaggedMore, where, springs, pattern);
            }
            foreach (var corner in Corners.Of(axle))
            {
                Add(
                    CauseKind.NotSeated,
                    corner.Name(),
                    share / 2,
                    Springs(i => Corners.All[i] == corner ? 1 : 0)
                );
            }
            if (Math.Abs(miss.LeftOver(axle)) > 0.5)
            {
                Add(
                    CauseKind.SidesSwapped,
                    where,
                    share,
                    Springs(i =>
                        Corners.AxleOf(Corners.All[i]) != axle ? 0
                        : i % 2 == 0 ? -1
                        : 1
                    ),
                    mean: miss.LeftOver(axle),
                    sd: SwappedShare * Math.Abs(miss.LeftOver(axle))
                );
            }
        }

        void Add(
            CauseKind kind,
            string where,
            double share,
            Vector<double> pattern,
            double? mean = null,
            double? sd = null
        )
        {
            var rule = CauseRule.Of(kind);
            all.Add(
                new(
                    kind,
                    where,
                    rule.Share * share * CauseRule.Learned(kind, miss.Confirmed),
                    pattern,
                    mean ?? rule.Mean,
                    sd ?? rule.Sd
                )
            );
        }

        // Lips first, then what was read beside them, then what turned with the frame.
        Vector<double> Lips(
            Func<Corner, double> lip,
            Func<Spare, double>? spare = null,
            Func<Turned, double>? turned = null
        ) =>
            Vector<double>.Build.DenseOfEnumerable([
                .. miss.Lips.Select(l => lip(l.Corner)),
                .. miss.Spares.Select(s => spare?.Invoke(s) ?? 0),
                .. miss.Turned.Select(t => turned?.Invoke(t) ?? 0),
            ]);
        Vector<double> Springs(Func<int, double> free)
        {
            double Lip(Corner c) => miss.Springs(c).Select((s, i) => s * free(i)).Sum();
            // The frame over an axle's middle rises by the mean of its lips.
            double Over(Axle axle) => Corners.Of(axle).Average(Lip);
            return Lips(
                Lip,
                turned: t => (t.More.Front * Over(Axle.Front)) + (t.More.Rear * Over(Axle.Rear))
            );
        }
        Vector<double> BothOf(Axle axle) =>
            Springs(i => Corners.AxleOf(Corners.All[i]) == axle ? 1 : 0);
    }

    private static int Index(Corner corner) => Array.IndexOf([.. Corners.All], corner);

    /// <summary>Half of a slip lies in the reading now, half in the one before: what was read twice alike hardly slipped.</summary>
    private static double SlipNow(Miss miss, Corner corner) =>
        miss.TwiceNow.Contains(corner) ? CauseRule.ReadTwice / 2 : 0.5;

    private static double SlipBefore(Miss miss, Corner corner) =>
        miss.TwiceBefore.Contains(corner) ? CauseRule.ReadTwice / 2 : 0.5;
}
