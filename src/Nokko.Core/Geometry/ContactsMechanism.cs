using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>What the tyres of an axle touch, straight and turned, on their wheels and flexed.</summary>
/// <remarks>Source: docs/computation/geometry.md#tyre-contacts.</remarks>
internal static class ContactsMechanism
{
    /// <summary>The mechanism; null where its wheels stay as they are and nothing was taped.</summary>
    public static Mechanism? Of(LiftedAxle axle)
    {
        var comes = axle.HasOtherWheels;
        var taped = TyreContacts
            .Taped.Where(t => axle.Suspension.Get(t.Size) is not null)
            .ToArray();
        if (!comes && taped.Length == 0)
        {
            return null;
        }
        var (swaps, why) = Swaps(axle);
        var (kept, _) = TyreSwap.Of(axle.Tyre, axle.Suspension, []);
        var before = new TyreContacts(
            axle,
            kept is null ? [] : [kept],
            axle.AboveTyreBefore,
            false
        );
        var then = new TyreContacts(axle, swaps, axle.AboveTyre, true, axle.StopsEarlier);
        List<MechanismWay> ways = [before.Way(WayKind.Before, "As it was", null, why: null)];
        if (comes)
        {
            var names = axle
                .Parts.Where(p =>
                    p.Kind is PartKind.Tyre or PartKind.WheelSpacer or PartKind.SteeringStops
                )
                .Select(p => p.Name)
                .Distinct();
            ways.Add(
                then.Way(WayKind.Planned, $"As planned: {string.Join(", ", names)}", before, why)
            );
        }
        else if (axle.Lifts)
        {
            ways.Add(then.Way(WayKind.Lifted, "Lifted, its tyres left", before, null));
        }
        var stands = ways[^1];
        if (why is null)
        {
            ways.AddRange(Cures(axle, then, before));
        }
        var tight = then.Tight(before);
        return new Mechanism
        {
            Kind = MechanismKind.Contacts,
            Where = axle.Axle.Said(),
            FigureLabel = "Least gap at its tyres",
            Says = Says(axle, why, before, then),
            Ways = ways,
            Judged = stands.Kind != WayKind.Before && why is null && tight.Count > 0,
            Asks = [.. Asked(axle, comes)],
            Checks = Checks(axle, then),
        };
    }

    private static (IReadOnlyList<TyreSwap> Swaps, string? Why) Swaps(LiftedAxle axle)
    {
        List<TyreSwap> swaps = [];
        foreach (var side in axle.Sides)
        {
            var (swap, why) = TyreSwap.Of(axle.Tyre, axle.Suspension, side);
            if (swap is null)
            {
                return ([], why);
            }
            swaps.Add(swap);
        }
        return (swaps, null);
    }

    private static IEnumerable<MechanismWay> Cures(
        LiftedAxle axle,
        TyreContacts then,
        TyreContacts before
    )
    {
        var tight = then.Tight(before);
        // Rims that stand further out give room inside, and take it ahead, behind and at the lip.
        var inside = tight
            .Where(c => c.With is ContactWith.Frame or ContactWith.Arm)
            .Select(c => (c.KeepMm - c.Gap.Have().Mean) / (c.Turned ? Math.Cos(then.TurnsRad) : 1))
            .DefaultIfEmpty(0)
            .Max();
        if (inside > 0)
        {
            var (mm, name) = axle.Enough(PartKind.WheelSpacer, Math.Ceiling(inside));
            yield return then.MovedOut(mm)
                .Way(
                    WayKind.Cure,
                    $"{name ?? "Rims or spacers"}: {LengthText.Both(mm)} further out",
                    before,
                    null
                ) with
            {
                Part = PartKind.WheelSpacer,
            };
        }
        if (
            tight.Any(c => c is { With: ContactWith.Frame, Turned: true })
            && then.LessLock() is { } less
        )
        {
            yield return less.Contacts.Way(
                WayKind.Cure,
                FormattableString.Invariant($"Steering stops {less.Degrees:0}° earlier"),
                before,
                null
            ) with
            {
                Part = PartRule.Of(PartKind.SteeringStops).FitsOn(axle.Suspension.Kind)
                    ? PartKind.SteeringStops
                    : null,
                SetAt = Result.Of(axle.StopsEarlier + less.Degrees, Unit.Degree, 0, []),
            };
        }
        if (tight.Count == 0)
        {
            yield break;
        }
        if (LargestAtHand(axle, then, before) is { } tyre)
        {
            yield return tyre.Contacts.Way(WayKind.Cure, tyre.Part.Name, before, null) with
            {
                Part = PartKind.Tyre,
                PartId = tyre.Part.Id,
            };
        }
        if (
            then.LargestDiameterMm() is { } most
            && most < then.DiameterMm
            && most >= before.DiameterMm
        )
        {
            yield return then.OfDiameter(most)
                .Way(
                    WayKind.Cure,
                    $"A tyre of {LengthText.Both(most)} across, as wide",
                    before,
                    null
                );
        }
    }

    /// <summary>The largest tyre at hand that clears all that is known, not smaller than what is on.</summary>
    private static (PlacedPart Part, TyreContacts Contacts)? LargestAtHand(
        LiftedAxle axle,
        TyreContacts then,
        TyreContacts before
    )
    {
        foreach (
            var tyre in axle
                .Shelf.Where(p => p.Kind == PartKind.Tyre && p.Count > 0)
                .Select(p => PlacedPart.Of(p, p.Id))
                .OrderByDescending(p => p.Get(PartSizes.Diameter) ?? 0)
                .ThenBy(p => p.Name, StringComparer.Ordinal)
        )
        {
            TyreSwap?[] swaps =
            [
                .. axle.Sides.Select(side =>
                    TyreSwap
                        .Of(
                            axle.Tyre,
                            axle.Suspension,
                            [.. side.Where(p => p.Kind != PartKind.Tyre), tyre]
                        )
                        .Swap
                ),
            ];
            if (swaps.Any(s => s is null) || 2 * swaps[0]!.Next.RadiusMm < before.DiameterMm)
            {
                continue;
            }
            var contacts = then.On([.. swaps.Select(s => s!)]);
            if (contacts.Tight(before).Count == 0)
            {
                return (tyre, contacts);
            }
        }
        return null;
    }

    private static string Says(LiftedAxle axle, string? why, TyreContacts before, TyreContacts then)
    {
        if (why is not null)
        {
            return axle.Has(PartKind.Tyre)
                ? $"Whether the new tyre touches cannot be told. {why}"
                : $"What is left round the tyre cannot be told. {why}";
        }
        var tight = then.Tight(before);
        if (then.Least is not { } least)
        {
            return "Tape the gaps round the tyre that is on: then it is told where the new one touches.";
        }
        string Keep(Contact c) =>
            c.With == ContactWith.Above
                ? $"{LengthText.Both(c.KeepMm)}, a rule of thumb,"
                : $"{axle.Limits.Said(MechanismKind.Contacts)},";

        static string At(Contact c) => char.ToUpperInvariant(c.Said[0]) + c.Said[1..];
        var may = then.MayTouch(before)
            ? " Within its ± it may touch: it is tried there first."
            : "";
        if (tight.Count > 0)
        {
            var worst = tight[0];
            var gap = worst.Gap.Have().Mean;
            var more = tight.Count switch
            {
                1 => "",
                2 => " One more of its gaps is short.",
                _ => $" {tight.Count - 1} more of its gaps are short.",
            };
            return gap < 0
                ? $"{At(worst)}, the tyre touches by {LengthText.Both(-gap)}.{more}"
                : $"{At(worst)}, {LengthText.Both(gap)} are left; {Keep(worst)} should be.{more}{may}";
        }
        var left = least.Gap.Have().Mean;
        if (left < 0)
        {
            return $"{At(least)}, the tyre touches by {LengthText.Both(-left)}, as it did before.";
        }
        var first = axle.Has(PartKind.Tyre)
            ? "The new tyre clears all that was taped"
            : "It clears all that was taped";
        return $"{first}: least {LengthText.Both(left)}, {least.Said}.{may}";
    }

    private static IEnumerable<AskedSize> Asked(LiftedAxle axle, bool comes)
    {
        if (!comes)
        {
            return [];
        }
        var offset = axle.Sides.Any(s =>
            s.Any(p => p.Kind == PartKind.Tyre && p.Get(PartSizes.RimOffset) is not null)
        );
        string[] sizes =
        [
            SuspensionSizes.TyreGap,
            .. TyreContacts.Taped.Where(t => t.At == ContactAt.Ride).Select(t => t.Size),
            .. offset ? (string[])[SuspensionSizes.RimOffset] : [],
            .. TyreContacts.Taped.Where(t => t.At != ContactAt.Ride).Select(t => t.Size),
        ];
        return sizes
            .Where(s =>
                axle.Suspension.Get(s) is null
                && (axle.Axle == Axle.Front || !SuspensionSizes.Find(s)!.Steered)
            )
            .Select(s => new AskedSize(s, null, null));
    }

    private static IReadOnlyList<string> Checks(LiftedAxle axle, TyreContacts then) =>
        [
            axle.Axle == Axle.Front
                ? "On its wheels, turned to both locks, then with the wheel flexed: all round by eye and a finger's breadth. Fingers out before the wheel is turned."
                : "On its wheels, then with the wheel flexed: all round by eye and a finger's breadth.",
            .. then.Contacts.Any(c =>
                c is { With: ContactWith.Above, At: ContactAt.Bump, Stands: ContactStands.Touches }
            )
                ? (string[])
                    [
                        "A longer bump stop must meet before the tyre does: what the plan needs beside it says by how much.",
                    ]
                : [],
            "Nothing is cut or bent before the tyre was tried there and the gap was seen.",
            .. then.AnyTurned && axle.Suspension.Get(SuspensionSizes.LockAngle) is null
                ? (string[])
                    [
                        FormattableString.Invariant(
                            $"Its lock was not taken: {TyreContacts.UsualLock.Mean:0}° are counted, a rule of thumb."
                        ),
                    ]
                : [],
            .. axle.Parts.Any(p => p.Kind == PartKind.Tyre && p.Get(PartSizes.Width) is null)
                ? (string[])
                    [
                        "The width of the new tyre was not entered: it is taken as wide as the old one.",
                    ]
                : [],
            .. axle.Parts.Any(p => p.Kind == PartKind.Tyre && p.Get(PartSizes.RimOffset) is null)
                ? (string[])
                    [
                        "The new tyre is taken to be on the rims that are on, or on rims of their offset.",
                    ]
                : [],
        ];
}
