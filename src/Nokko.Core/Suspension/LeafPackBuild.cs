using Nokko.Core.Shelf;
using Nokko.Core.Units;

namespace Nokko.Core.Suspension;

/// <summary>What a pack of leaves amounts to.</summary>
/// <param name="RateNPerMm">Rate at the axle, N/mm.</param>
/// <param name="FreeArchMm">Free arch of the bundle, mm: what the leaves agree on.</param>
/// <param name="LengthMm">Main leaf, eye to eye along it, mm.</param>
/// <param name="ThicknessMm">All leaves together at the pin, mm.</param>
/// <param name="UnderMainMm">Of that, what lies under the main leaf, mm.</param>
public sealed record LeafPackSprings(
    double RateNPerMm,
    double FreeArchMm,
    double LengthMm,
    double ThicknessMm,
    double UnderMainMm
);

/// <summary>Rate and free arch of a leaf pack, leaf by leaf.</summary>
/// <remarks>
/// Source: docs/computation/lifts.md#leaf-springs. Leaves slide on one another and bend alike: at each section their EI add up, and the free curvature is Σ EIκ / Σ EI.
/// Each half is a cantilever from the clamp; a load at the axle divides over the eyes as on a beam, k = (a+b)²/(b²c_a + a²c_b), which for a plain beam is 3EI(a+b)/(a²b²).
/// Friction and the leaves' ends make it good to about 20 %: a ballast test takes its place.
/// </remarks>
public static class LeafPackBuild
{
    /// <summary>E of spring steel, N/mm².</summary>
    public const double ElasticModulus = 206_000;

    /// <summary>Share of a computed rate that is its standard uncertainty.</summary>
    public const double RateShare = 0.2;

    /// <summary>Clamped length between the U-bolts where nobody taped it, mm: 100, or 0.4 of a main leaf's shorter half where that is less. A rule of thumb.</summary>
    /// <param name="main">The main leaf.</param>
    public static double UsualClampMm(Leaf main) =>
        Math.Min(100, 0.4 * Math.Min(main.FrontMm, main.RearMm));

    /// <summary>A pack as it is described, clamped as taped, else as is usual.</summary>
    /// <param name="pack">A part with leaves.</param>
    public static LeafPackSprings Of(PlacedPart pack) =>
        Of(pack.Leaves, pack.Get(PartSizes.ClampLength) ?? UsualClampMm(pack.Leaves[0]));

    /// <summary>Computes a pack.</summary>
    /// <param name="leaves">The main leaf first; overload leaves are left out, they work only after contact.</param>
    /// <param name="clampMm">Clamped length between the U-bolts, which does not bend, mm.</param>
    /// <exception cref="ArgumentException">No main leaf, or a size that is not above zero.</exception>
    public static LeafPackSprings Of(IReadOnlyList<Leaf> leaves, double clampMm)
    {
        if (WhyNot(leaves, clampMm) is { } why)
        {
            throw new ArgumentException(why, nameof(leaves));
        }
        var working = leaves.Where(l => !l.Overload).ToArray();
        var main = working[0];
        var (front, rear) = (main.FrontMm, main.RearMm);
        var (frontGive, frontRise) = Half(working, l => l.FrontMm, clampMm / 2);
        var (rearGive, rearRise) = Half(working, l => l.RearMm, clampMm / 2);
        var whole = front + rear;
        var thickness = leaves.Sum(l => l.Count * l.ThicknessMm);
        return new LeafPackSprings(
            whole * whole / ((rear * rear * frontGive) + (front * front * rearGive)),
            ((rear * frontRise) + (front * rearRise)) / whole,
            whole,
            thickness,
            thickness - main.ThicknessMm
        );
    }

    /// <summary>Why leaves make no pack, in a fitter's words, or null.</summary>
    /// <param name="leaves">The leaves.</param>
    /// <param name="clampMm">Clamped length, mm.</param>
    public static string? WhyNot(IReadOnlyList<Leaf> leaves, double clampMm = 0) =>
        leaves.All(l => l.Overload) ? "A pack begins with its main leaf."
        : !(clampMm < 2 * Math.Min(leaves[0].FrontMm, leaves[0].RearMm))
            ? "The U-bolts clamp more than the main leaf is long."
        : leaves.Any(l =>
            !(l.FrontMm > 20)
            || !(l.RearMm > 20)
            || l.FrontMm > 3_000
            || l.RearMm > 3_000
            || !(Math.Abs(l.ArchMm) <= 600)
        )
            ? "Each half of a leaf is between 20 and 3,000 mm long, and no leaf is bent by more than 600 mm."
        : leaves.Any(l =>
            l.WidthMm is not (> 10 and < 300)
            || l.ThicknessMm is not (> 1 and < 60)
            || l.Count is < 1 or > 20
        )
            ? "A leaf is between 10 and 300 mm wide and between 1 and 60 mm thick."
        : null;

    /// <summary>Give of one half at its eye, mm/N, and how far its eye stands above the seat when free, mm.</summary>
    private static (double Give, double Rise) Half(
        Leaf[] leaves,
        Func<Leaf, double> length,
        double clamp
    )
    {
        // Between the ends of leaves nothing changes, so each piece integrates in closed form.
        var eye = length(leaves[0]);
        double[] ends =
        [
            clamp,
            .. leaves
                .Select(l => Math.Min(length(l), eye))
                .Where(e => e > clamp)
                .Distinct()
                .Order(),
        ];
        double give = 0;
        double rise = 0;
        for (var i = 1; i < ends.Length; i++)
        {
            var (from, to) = (ends[i - 1], ends[i]);
            var present = leaves.Where(l => length(l) >= to).ToArray();
            var stiffness = present.Sum(Stiffness);
            var curvature = present.Sum(l => Stiffness(l) * Curvature(l)) / stiffness;
            // With s the distance to the eye: ∫ s²/(EI) ds and ∫ κ s ds.
            var (far, near) = (eye - from, eye - to);
            give += ((far * far * far) - (near * near * near)) / (3 * stiffness);
            rise += curvature * ((far * far) - (near * near)) / 2;
        }
        return (give, rise);
    }

    /// <summary>EI of a line of the list, N·mm².</summary>
    private static double Stiffness(Leaf leaf) =>
        leaf.Count * ElasticModulus * leaf.WidthMm * Math.Pow(leaf.ThicknessMm, 3) / 12;

    /// <summary>Free curvature, 2a/(l_f·l_r), 1/mm: for equal halves 2a/l².</summary>
    private static double Curvature(Leaf leaf) => 2 * leaf.ArchMm / (leaf.FrontMm * leaf.RearMm);

    /// <summary>What to look at before a pack is built, in a fitter's words; empty when all that is known is well.</summary>
    /// <param name="pack">The pack with its sizes.</param>
    public static IReadOnlyList<string> Checks(PlacedPart pack)
    {
        var said = new List<string>();
        if (
            pack.Get(PartSizes.PinDiameter) is { } pin
            && pack.Get(PartSizes.SeatBore) is { } bore
            && pin > bore - 0.2
        )
        {
            said.Add(
                $"The centre pin's head, {LengthText.Both(pin)}, does not go into the seat's bore, {LengthText.Both(bore)}: another pin, or the bore opened."
            );
        }
        if (pack.Leaves.Count > 1)
        {
            var main = pack.Leaves[0];
            if (pack.Leaves.Skip(1).Any(l => l.FrontMm > main.FrontMm || l.RearMm > main.RearMm))
            {
                said.Add(
                    "A leaf is longer than the main leaf: cut it so that it ends inside the eye when the spring lies flat."
                );
            }
            if (pack.Leaves.Any(l => l.WidthMm > main.WidthMm))
            {
                said.Add("A leaf is wider than the main leaf: the clips will not close over it.");
            }
        }
        return said;
    }

    /// <summary>Length that a U-bolt needs inside, from the axle's crown, mm: stack, plate, nut and three threads.</summary>
    /// <param name="packMm">Leaves together, mm.</param>
    /// <param name="blockMm">Block, mm.</param>
    /// <param name="plateMm">Plate, mm.</param>
    /// <param name="nutMm">Nut, mm.</param>
    /// <param name="pitchMm">Pitch of the thread, mm.</param>
    public static double UBoltMm(
        double packMm,
        double blockMm,
        double plateMm = 12,
        double nutMm = 13,
        double pitchMm = 1.5
    ) => packMm + blockMm + plateMm + nutMm + (3 * pitchMm);
}
