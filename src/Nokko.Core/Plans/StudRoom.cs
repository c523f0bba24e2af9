using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;

namespace Nokko.Core.Plans;

/// <summary>Whether the strut's studs end inside the recess of the plate on top of it.</summary>
/// <remarks>Source: docs/computation/companions.md#cautions.</remarks>
public static class StudRoom
{
    /// <summary>Air that is left between a cut stud and the recess's end, mm: more than a length loses or gains that is read to a sixteenth of an inch.</summary>
    public const double AirMm = 1;

    /// <summary>To what height above the strut's plate the studs must be cut, mm, 0 or above; null where they fit, or where studs or recess are not known.</summary>
    /// <param name="suspension">The axle's suspension, with the studs' height if somebody taped it.</param>
    /// <param name="plates">The plates that lie on the strut.</param>
    public static double? CutToMm(Vehicles.Suspension suspension, IEnumerable<PlacedPart> plates) =>
        suspension.Get(SuspensionSizes.StudLength) is { } studs
        && plates.Where(p => p.Kind == PartKind.StrutTopSpacer).Min(p => p.Get(PartSizes.Recess))
            is { } recess
        && studs > recess
            ? Math.Max(0, recess - AirMm)
            : null;
}
