using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Proof;

/// <summary>Judges whether the vehicle sits as its owner wants, wish by wish.</summary>
/// <remarks>Source: docs/computation/proof.md#verdicts: the same rule as against the plan.</remarks>
internal static class TargetProofs
{
    /// <summary>The verdicts on everything that was wanted when the fitting began.</summary>
    /// <param name="frozen">The stored prediction with its target.</param>
    /// <param name="now">The stance after.</param>
    /// <param name="comparison">The job's first stage against now; null when nothing was measured before.</param>
    /// <param name="diagonals">What right front and left rear carry after, of 100.</param>
    /// <param name="evenWithin">Off the half by no more, they are even; of 100.</param>
    /// <param name="decides">Whether readings of these corners may carry a verdict.</param>
    /// <param name="condemns">Whether they may carry one against the work: a reading that is doubted is read again first.</param>
    public static IReadOnlyList<TargetProof> Of(
        FrozenPrediction frozen,
        WalkRoundStance now,
        Comparison? comparison,
        Result diagonals,
        double evenWithin,
        Func<IEnumerable<Corner>, bool> decides,
        Func<IEnumerable<Corner>, bool> condemns
    )
    {
        var target = frozen.Target;
        var tolerance = target.Tolerance.In(Unit.Mm);
        var proofs = new List<TargetProof>();
        if (target.Rake is { } rake)
        {
            Add(
                target.Loaded ? "rakeLoaded" : "rake",
                rake.In(Unit.Mm),
                RakeFound(frozen, now),
                Corners.All,
                d => d
            );
        }
        // Only falling short counts against a least lift, only going beyond against a greatest.
        Lift("frontLift", target.LeastFrontLift, Axle.Front, d => Math.Min(0, d));
        Lift("rearLift", target.LeastRearLift, Axle.Rear, d => Math.Min(0, d));
        Lift("frontMost", target.MostFrontLift, Axle.Front, d => Math.Max(0, d));
        Lift("rearMost", target.MostRearLift, Axle.Rear, d => Math.Max(0, d));
        if (target.NoLean)
        {
            Add("leanFront", 0, now.LeanFront, Corners.Of(Axle.Front), d => d);
            Add("leanRear", 0, now.LeanRear, Corners.Of(Axle.Rear), d => d);
        }
        if (target.EvenDiagonals)
        {
            Add("diagonals", 50, diagonals, Corners.All, d => d, evenWithin);
        }
        return proofs;

        void Lift(string what, Quantity? wanted, Axle axle, Func<double, double> counts)
        {
            if (wanted is not null)
            {
                Add(
                    what,
                    wanted.In(Unit.Mm),
                    comparison?.MeanRise(axle)
                        ?? Result.No(
                            Unit.Mm,
                            $"Both {axle.Said()} lips must be read before and after."
                        ),
                    Corners.Of(axle),
                    counts
                );
            }
        }

        void Add(
            string what,
            double wanted,
            Result found,
            IEnumerable<Corner> of,
            Func<double, double> counts,
            double? within = null
        )
        {
            var verdict = found.Value is { } value
                ? Prove.Judge(
                    counts(value - wanted),
                    within ?? tolerance,
                    found.U!.Value,
                    decides(of)
                )
                : Verdict.CannotTell;
            proofs.Add(
                new TargetProof(
                    what,
                    wanted,
                    found,
                    verdict == Verdict.NotReached && !condemns(of) ? Verdict.MeasureAgain : verdict
                )
            );
        }
    }

    /// <summary>The rake that is judged: as measured, and with the load's predicted share when it was wanted with the load on.</summary>
    private static Result RakeFound(FrozenPrediction frozen, WalkRoundStance now)
    {
        if (frozen.Target.Datum != now.Datum)
        {
            return Result.No(
                Unit.Mm,
                "The target is stated in another datum than this walk-round: read the lips from there too."
            );
        }
        if (!frozen.Target.Loaded || now.Rake.Found is not { } rake)
        {
            return now.Rake;
        }
        return
            frozen.Prediction
                is {
                    Rake: { Value: { } plain, U: { } u },
                    Loaded.Rake: { Value: { } loaded, U: { } uLoaded }
                }
            ? Result.Of(
                rake.Mean + loaded - plain,
                Unit.Mm,
                // What both predictions have in common goes out with their difference.
                Math.Sqrt((rake.Sd * rake.Sd) + Math.Max(0, (uLoaded * uLoaded) - (u * u))),
                now.Rake.RestsOn
            )
            : Result.No(
                Unit.Mm,
                "What the load does was not predicted: state it, or put it on and read."
            );
    }
}
