using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Parts;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Planning;

/// <summary>What the change from one stack to another does to each corner alone: h, with its covariance.</summary>
/// <remarks>Source: computation.md, sections 7 and 10. Offset and ratio are common to both sides of an axle; thickness is each part's own.</remarks>
internal static class FreeRise
{
    /// <summary>Mean and covariance of the free rises at the four corners, mm and mm².</summary>
    public static (Vector<double>? Mean, Matrix<double>? Covariance, IReadOnlyList<Guid> Parts) Of(
        Plan plan,
        Stage from,
        Vehicle vehicle
    )
    {
        var mean = Vector<double>.Build.Dense(4);
        var covariance = Matrix<double>.Build.Dense(4, 4);
        var rests = new List<Guid>();
        foreach (var kind in Kinds(plan, from))
        {
            for (var axle = 0; axle < 2; axle++)
            {
                var name = axle == 0 ? Corners.Front : Corners.Rear;
                var changes = Corners.Of(name).Select(c => Change(c, kind, plan, from)).ToArray();
                if (changes.All(c => c is { Offset: 0, ThicknessMm: 0, VarianceMm2: 0 }))
                {
                    continue;
                }
                var priors = changes
                    .Select(c =>
                        c is null
                            ? null
                            : LiftLaw.Prior(kind, vehicle.SuspensionOf(name), c.FromMm, c.ToMm)
                    )
                    .ToArray();
                if (priors.Any(p => p is null))
                {
                    return (null, null, []);
                }
                for (var i = 0; i < 2; i++)
                {
                    var (ci, pi) = (changes[i]!, priors[i]!);
                    mean[(2 * axle) + i] +=
                        (pi.OffsetMm.Mean * ci.Offset) + (pi.Ratio.Mean * ci.ThicknessMm);
                    rests.AddRange(ci.Parts);
                    for (var j = 0; j < 2; j++)
                    {
                        var (cj, pj) = (changes[j]!, priors[j]!);
                        var ratio = (pi.Ratio.Sd * pj.Ratio.Sd) + (pi.VehicleSd * pj.VehicleSd);
                        covariance[(2 * axle) + i, (2 * axle) + j] +=
                            (pi.OffsetMm.Sd * pj.OffsetMm.Sd * ci.Offset * cj.Offset)
                            + (ratio * ci.ThicknessMm * cj.ThicknessMm)
                            + (i == j ? pi.Ratio.Mean * pi.Ratio.Mean * ci.VarianceMm2 : 0);
                    }
                }
            }
        }
        return (mean, covariance, rests);
    }

    private static IEnumerable<PartKind> Kinds(Plan plan, Stage from) =>
        plan.Stacks.Concat(from.Stacks).SelectMany(s => s.Parts).Select(p => p.Kind).Distinct();

    /// <param name="Offset">1 when the first piece comes, −1 when the last one goes.</param>
    /// <param name="FromMm">Thickness before of the pieces that are known, mm.</param>
    /// <param name="ThicknessMm">What is added, mm.</param>
    /// <param name="VarianceMm2">Of what is added, mm².</param>
    /// <param name="Parts">What it rests on.</param>
    private sealed record StackChange(
        int Offset,
        double FromMm,
        double ThicknessMm,
        double VarianceMm2,
        IReadOnlyList<Guid> Parts
    )
    {
        public double ToMm => FromMm + ThicknessMm;
    }

    /// <summary>What changes at one corner for one kind of part; null when a part that comes or goes has no thickness.</summary>
    private static StackChange? Change(string corner, PartKind kind, Plan plan, Stage from)
    {
        var old = PartsOf(from.Stacks, corner, kind);
        var next = PartsOf(plan.Stacks, corner, kind);
        // A piece that stays where it was changes nothing, whatever is known of it.
        var gone = old.Where(o => next.All(n => n.Id != o.Id)).ToArray();
        var come = next.Where(n => old.All(o => o.Id != n.Id)).ToArray();
        if (gone.Concat(come).Any(p => p.Thickness is null))
        {
            return null;
        }
        return new StackChange(
            Math.Sign(next.Length) - Math.Sign(old.Length),
            old.Sum(p => p.Thickness?.In("mm") ?? 0),
            come.Sum(p => p.Thickness!.In("mm")) - gone.Sum(p => p.Thickness!.In("mm")),
            gone.Concat(come).Sum(ThicknessVariance),
            [.. gone.Concat(come).Select(p => p.PartId ?? p.Id)]
        );
    }

    private static double ThicknessVariance(PlacedPart part)
    {
        var u = part.Thickness!.UIn(
            "mm",
            part.Thickness.Known == Known.Measured
                ? LiftLaw.MeasuredThicknessUMm
                : LiftLaw.UnmeasuredThicknessUMm
        );
        return u * u;
    }

    private static PlacedPart[] PartsOf(
        IReadOnlyList<CornerStack> stacks,
        string corner,
        PartKind kind
    ) =>
        [
            .. stacks
                .Where(s => s.Corner == corner)
                .SelectMany(s => s.Parts)
                .Where(p => p.Kind == kind),
        ];

    public static string WhyNot(Plan plan, Stage from, Vehicle vehicle)
    {
        // Placements in both stacks stay where they are and change nothing.
        var parts = plan
            .Stacks.Concat(from.Stacks)
            .SelectMany(s => s.Parts.Select(p => (s.Corner, Part: p)))
            .GroupBy(p => p.Part.Id)
            .Where(g => g.Count() == 1)
            .Select(g => g.Single());
        foreach (var (corner, part) in parts)
        {
            var kind = vehicle.SuspensionOf(Corners.AxleOf(corner)).Kind;
            if (LiftLaw.Prior(part.Kind, kind) is null)
            {
                return $"What {part.Name} does on the {Corners.Said(corner)} cannot be foretold.";
            }
            if (part.Thickness is null)
            {
                return part.Claim is null
                    ? $"Nobody has measured how thick {part.Name} is, so there is no prediction."
                    : $"{part.Name} has a claim but no thickness: measure it, then there is a prediction.";
            }
        }
        return "The arms cannot reach that far, by the taped points: check them, or take a thinner part.";
    }
}
