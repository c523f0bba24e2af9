using System.Globalization;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>A vehicle on four scales, and what a plan moves across them.</summary>
/// <param name="Kg">What each scale showed, in the order of <see cref="Corners.All"/>, kg.</param>
/// <param name="Share">What right front and left rear carried, of 100.</param>
/// <param name="OfLoads">What loads that come and stay add to it.</param>
/// <param name="Moved">What the plan adds to it.</param>
/// <param name="PerMm">Change for each mm of free rise at each spring, of 100.</param>
/// <param name="Wanted">Whether the owner wants the diagonals even.</param>
/// <param name="EvenWithin">Off the half by no more, they are even; of 100.</param>
public sealed record OnScales(
    IReadOnlyList<Estimate> Kg,
    Estimate Share,
    double OfLoads,
    Estimate Moved,
    IReadOnlyList<double> PerMm,
    bool Wanted,
    double EvenWithin
);

/// <summary>Whether both diagonals of the wheels carry the same, and under which spring something evens them.</summary>
/// <remarks>Source: docs/computation/geometry.md#corner-scales.</remarks>
internal static class CornerScalesMechanism
{
    /// <summary>The mechanism; null where nobody weighed it.</summary>
    /// <param name="scales">The vehicle on its scales; null where it was not weighed.</param>
    public static Mechanism? Of(OnScales? scales)
    {
        if (scales is null)
        {
            return null;
        }
        var moved = scales.Moved.Mean + scales.OfLoads;
        var then = scales.Share.Mean - 50 + moved;
        var u = double.Hypot(scales.Share.Sd, scales.Moved.Sd);
        var even = Math.Abs(then) <= scales.EvenWithin;
        MechanismWay Way(WayKind kind, string said, double off, double sd) =>
            new()
            {
                Kind = kind,
                Said = said,
                Figure = Result.Of(off, Unit.One, sd, []),
                Also =
                [
                    new(
                        "On right front and left rear, of 100",
                        Result.Of(50 + off, Unit.One, sd, [])
                    ),
                ],
            };
        var before = Way(
            WayKind.Before,
            "As it was weighed",
            scales.Share.Mean - 50,
            scales.Share.Sd
        );
        return new Mechanism
        {
            Kind = MechanismKind.CornerScales,
            Where = "vehicle",
            FigureLabel = "Right front and left rear off the half, of 100",
            Says = (Math.Abs(moved) >= 0.05, even) switch
            {
                (false, true) => $"{Carry(then)}: even, and the plan moves nothing across.",
                (false, false) => $"{Carry(then)}. {Evens(scales.PerMm, then)}",
                (true, true) =>
                    $"{Carry(then)} after it, {Number(50 + then - moved)} before: even.",
                (true, false) =>
                    $"{Carry(then)} after it, {Number(50 + then - moved)} before. {Evens(scales.PerMm, then)}",
            },
            // Off the half is beyond a limit only where somebody wants it even.
            Judged = scales.Wanted ? null : false,
            Ways =
            [
                before with
                {
                    Also =
                    [
                        .. before.Also,
                        .. Corners.All.Select(
                            (c, i) =>
                                new LabelledResult(
                                    Corners.Said(c),
                                    Result.Of(scales.Kg[i].Mean, Unit.Kg, scales.Kg[i].Sd, [])
                                )
                        ),
                    ],
                },
                .. Math.Abs(moved) >= 0.05
                    ? (MechanismWay[])[Way(WayKind.Lifted, "With the plan", then, u)]
                    : [],
                .. even
                    ? []
                    : Places(scales.PerMm, then).Select(p => Way(WayKind.Cure, p.Said, 0, u)),
            ],
            Checks =
            [
                "Weigh it again after the work, as before: the same pads, tyres, fuel and driver, an end of each anti-roll bar unhooked; hook it on without twist.",
                "So much more is the rise that the spring there would give with its load held: a plate in a strut gives more than its thickness. It leaves each axle with what it carried, each side too where both tracks are alike, and leans the body: the plan says by how much.",
            ],
        };
    }

    private static string Carry(double off) =>
        $"Right front and left rear carry {Number(50 + off)} of 100";

    private static string Evens(IReadOnlyList<double> perMm, double off) =>
        $"{string.Join(" or ", Places(perMm, off).Select(p => p.Said))} evens it.";

    /// <summary>The spring of each axle under which something more evens the diagonals.</summary>
    private static IEnumerable<(string Said, double Mm)> Places(
        IReadOnlyList<double> perMm,
        double off
    ) =>
        Corners
            .All.Select((c, i) => (Corner: c, Mm: -off / perMm[i]))
            .Where(p => p.Mm > 0)
            .Select(p => ($"{LengthText.Both(p.Mm)} more at the {Corners.Said(p.Corner)}", p.Mm));

    private static string Number(double of100) =>
        of100.ToString("0.0", CultureInfo.InvariantCulture);
}
