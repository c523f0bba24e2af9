using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Evidence;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>What a job teaches of lift lines.</summary>
public static class JobTrials
{
    /// <summary>What a job proved, axle by axle, of every plan whose fitting has begun.</summary>
    /// <param name="d">The job.</param>
    /// <param name="proofs">Its proofs.</param>
    /// <param name="stances">Its stances.</param>
    public static IEnumerable<JobTrial> Of(
        JobDocument d,
        IReadOnlyList<PlanProof> proofs,
        IReadOnlyList<WalkRoundStance> stances
    )
    {
        foreach (var plan in d.Plans.Where(p => p.BegunAt is not null).OrderBy(p => p.BegunAt))
        {
            var proof = proofs.FirstOrDefault(p => p.PlanId == plan.Id);
            var from = d.Stages.FirstOrDefault(s => s.Id == plan.FromStageId);
            var frozen = d.FrozenPredictions.FirstOrDefault(f => f.PlanId == plan.Id);
            if (proof is null || from is null || frozen is null)
            {
                // Nothing was measured after it yet: it is not evidence of anything.
                continue;
            }
            foreach (var lift in proof.Lifts)
            {
                yield return Of(d, plan, from, frozen, proof, lift, stances);
            }
        }
    }

    private static JobTrial Of(
        JobDocument d,
        Plan plan,
        Stage from,
        FrozenPrediction frozen,
        PlanProof proof,
        AxleLift lift,
        IReadOnlyList<WalkRoundStance> stances
    )
    {
        var corners = Corners.Of(lift.Axle);
        PlacedPart[] come =
        [
            .. corners
                .SelectMany(c => CornerStack.Change(c, from.Stacks, plan.Stacks).Come)
                .Where(p => PartRule.Of(p.Kind).MayLift),
        ];
        var told = d.WalkRounds.First(w => w.Id == proof.WalkRoundId).Told;
        var (trial, family, why) = Trialled(d, plan, from, proof, lift.Axle, stances);
        return new JobTrial
        {
            JobId = d.Job.Id,
            PlanId = plan.Id,
            VehicleId = d.Vehicle.Id,
            PlatformId = d.Vehicle.PlatformId,
            Said = $"{d.Vehicle.Make} {d.Vehicle.Name} {d.Vehicle.Plate}".TrimEnd(),
            Axle = lift.Axle,
            Suspension = from.SuspensionOf(lift.Axle).Kind,
            Family = family,
            Parts = [.. come.Select(p => told ? $"{p.Name}, told" : p.Name).Distinct()],
            PartIds = [.. come.Select(p => p.PartId).OfType<Guid>().Distinct()],
            Ordinal = d.Stages.FirstOrDefault(s => s.Id == plan.ToStageId)?.Ordinal ?? 0,
            At = d.WalkRounds.First(w => w.Id == proof.WalkRoundId).At,
            Claim = lift.Claim,
            Predicted =
                lift.Axle == Axle.Front ? frozen.Prediction.FrontRise : frozen.Prediction.RearRise,
            Measured = lift.Measured,
            Trial = trial,
            WhyNot = why,
        };
    }

    private static (LiftTrial? Trial, LiftFamily Family, string? Why) Trialled(
        JobDocument d,
        Plan plan,
        Stage from,
        PlanProof proof,
        Axle axle,
        IReadOnlyList<WalkRoundStance> stances
    )
    {
        (LiftTrial?, LiftFamily, string?) No(string why, LiftFamily family = LiftFamily.None) =>
            (null, family, why);
        if (plan.Conversions is not null)
        {
            return No(
                "An axle got another suspension with it: what a part lifted cannot be told apart."
            );
        }
        if (from.SuspensionOf(axle).Sheet is not null)
        {
            return No(
                "It stands on a converted suspension: what lifts there tells nothing of others."
            );
        }
        if (VehicleBody.Of(d.VehicleAt(from)) is not { Body: { } body })
        {
            return No("Sizes of the vehicle are missing.");
        }
        var situation = new Situation(
            from,
            d.VehicleAt(from),
            JobEvaluator.Speaks(stances, from.Id)
        );
        var axles = Predictor.Axles(situation);
        var rises = new CornerRise[4];
        for (var i = 0; i < 4; i++)
        {
            var (rise, cannot) = CornerRise.Of(
                Corners.All[i],
                CornerStack.At(from.Stacks, Corners.All[i]),
                CornerStack.At(plan.Stacks, Corners.All[i]),
                d.VehicleAt(from),
                axles[i / 2]
            );
            if (rise is null)
            {
                return No(cannot!);
            }
            rises[i] = rise;
        }
        var first = axle == Axle.Front ? 0 : 2;
        CornerRise[] mine = [rises[first], rises[first + 1]];
        LiftFamily[] families = [.. mine.SelectMany(r => r.Families).Distinct()];
        if (
            d.Job.CopiedAt is { } copied
            && d.WalkRounds.First(w => w.Id == proof.WalkRoundId).At <= copied
        )
        {
            return No("This job came in as a copy: what it proved counts where it was measured.");
        }
        if (axles[first / 2].Suspension.HeightControl is not null)
        {
            return No("A controller holds the height there: its springs show nothing.");
        }
        if (families.Length != 1)
        {
            return No(
                families.Length == 0
                    ? "Nothing that lifts was changed there."
                    : "Several kinds of part came at once: what each lifted cannot be told apart."
            );
        }
        var family = families[0];
        var lines = mine.Select(r => r.Families.Any() ? r.TrialOf(family) : (0, 0.0, 0.0))
            .ToArray();
        if (lines.Any(l => l is null))
        {
            return No("Another spring came in: its sag cannot be told from its lift.", family);
        }
        if (rises.Any(r => r.Tyre.Mm != 0 || r.Puck.Mm != 0))
        {
            return No("Tyres or body mounts were changed with it.", family);
        }
        if (mine.Any(r => r.ToppedOut))
        {
            return No("The strut stood at its full length.", family);
        }
        if (proof.Comparison is not { } comparison)
        {
            return No("Nothing was measured before.", family);
        }
        if (!proof.Decides)
        {
            return No(
                proof.HeldBack.Count > 0
                    ? "Work was still open that moves the heights."
                    : "The readings after it were not settled.",
                family
            );
        }
        if (Recovered(body, rises, first, comparison) is not { } found)
        {
            return No(
                "All four lips must be read before and after, settled and unflagged.",
                family
            );
        }
        var touched = lines
            .OfType<(int Offset, double LineMm, double Ratio)>()
            .Where(l => l.LineMm != 0)
            .ToArray();
        if (touched.Length == 0 || touched.Any(t => t.Offset != touched[0].Offset))
        {
            return No("No thickness was changed.", family);
        }
        var trial = new LiftTrial(
            touched.Average(t => t.LineMm),
            found.Mm,
            found.U,
            touched.Average(t => t.Ratio),
            touched[0].Offset == 1
        );
        return touched[0].Offset < 0
                ? No("A stack was taken out: it is no trial of a new one.", family)
            : trial.WhyNot() is { } bad ? No(bad, family)
            : (trial, family, null);
    }

    /// <summary>Free rise of the corners that were changed on an axle, from the rises of all four lips, by the body on its springs.</summary>
    /// <remarks>Source: docs/computation/body-on-springs.md#equilibrium, read backwards: generalised least squares with one unknown for each axle that was changed.</remarks>
    private static (double Mm, double U)? Recovered(
        VehicleBody body,
        CornerRise[] rises,
        int first,
        Comparison comparison
    )
    {
        int[] axles =
        [
            .. ((int[])[0, 2]).Where(a => rises[a].SpringMm != 0 || rises[a + 1].SpringMm != 0),
        ];
        var design = Matrix<double>.Build.Dense(4, axles.Length);
        var seen = Vector<double>.Build.Dense(4);
        var variance = Matrix<double>.Build.Dense(4, 4);
        var ofBars = Matrix<double>.Build.Dense(4, 2);
        for (var i = 0; i < 4; i++)
        {
            var name = Corners.All[i];
            var measured = comparison.Rises.FirstOrDefault(r => r.Station == name.Name());
            var station = body.Vehicle.Stations.FirstOrDefault(s => s.Name == name.Name());
            if (
                measured is not { Decides: true, Rise: { Value: { } rise, U: > 0 and { } u } }
                || station is null
            )
            {
                return null;
            }
            seen[i] = rise;
            // What the two rounds do not have alike shifts all four lips together.
            var shared = measured.SharedU * measured.SharedU;
            for (var j = 0; j < 4; j++)
            {
                variance[i, j] = i == j ? u * u : shared;
            }
            var (springs, bars) = (body.Response(station).Springs, body.BarResponse(station));
            for (var bar = 0; bar < 2; bar++)
            {
                ofBars[i, bar] = bars[bar].Zip(rises, (b, r) => b * r.SpringMm).Sum();
            }
            for (var a = 0; a < axles.Length; a++)
            {
                var (l, r) = (rises[axles[a]].SpringMm, rises[axles[a] + 1].SpringMm);
                // Both sides keep their share of the mean: left and right plates may differ.
                var mean = (l + r) / ((l != 0 ? 1 : 0) + (r != 0 ? 1 : 0));
                design[i, a] = (springs[axles[a]] * l / mean) + (springs[axles[a] + 1] * r / mean);
            }
        }
        // What the anti-roll bars carried over is known as well as their rates.
        variance += ofBars.TransposeAndMultiply(ofBars);
        var weight = variance.Inverse();
        var normal = design.TransposeThisAndMultiply(weight * design);
        if (!(Math.Abs(normal.Determinant()) > 1e-12))
        {
            return null;
        }
        var inverse = normal.Inverse();
        var h = inverse * design.TransposeThisAndMultiply(weight) * seen;
        var index = Array.IndexOf(axles, first);
        return index < 0 ? null : (h[index], Math.Sqrt(inverse[index, index]));
    }
}
