using System.Globalization;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>Says on what a prediction rests.</summary>
internal static class PredictionBasis
{
    public static IReadOnlyList<string> Of(
        Plan plan,
        Vehicle vehicle,
        IReadOnlyList<AxleState> axles,
        IReadOnlyList<StatedLoad> stays,
        IReadOnlyList<NewHeights> heights
    )
    {
        List<string> basis = [.. heights.Select(h => Settled(plan, h, axles))];
        foreach (var axle in axles)
        {
            PlacedPart[] parts =
            [
                .. plan
                    .Stacks.Where(s => Corners.AxleOf(s.Corner) == axle.Axle)
                    .SelectMany(s => s.Parts),
            ];
            basis.AddRange(OfAxle(axle, parts));
        }
        if (stays.Count > 0)
        {
            basis.Add($"With {string.Join(" and ", stays.Select(l => l.Name))}, which stays.");
        }
        basis.Add(
            VehicleSupports.RatesAreMeasured(vehicle) ? "Spring rates are from ballast tests."
            : axles.All(a => a.Suspension.Dimensions.ContainsKey(SuspensionSizes.SpringRate))
                ? "Spring rates are those of the springs that are in."
            : "Spring rates are estimated from the axle masses."
        );
        foreach (var axle in axles)
        {
            if (!RollBar.IsKnown(axle.Suspension) && OneSided(plan, axle.Axle))
            {
                basis.Add(
                    $"One side of the {axle.Axle.Said()} axle stands on more: what its anti-roll bar carries over is a rule of thumb. Tape its diameter, span and arm, or say that there is none."
                );
            }
        }
        var guessed = vehicle
            .Dimensions.Named()
            .Count(n => n.Value is { Known: not (Known.Measured or Known.Document) });
        if (guessed > 0)
        {
            basis.Add($"{guessed} of this vehicle's sizes are estimated.");
        }
        return basis;
    }

    /// <summary>From where the height of another suspension follows.</summary>
    private static string Settled(Plan plan, NewHeights heights, IReadOnlyList<AxleState> axles)
    {
        var way = heights.SettlesMm < 0 ? "down" : "up";
        var load = axles[heights.Axle == Axle.Front ? 0 : 1].SpringLoadN;
        return string.Create(
            CultureInfo.InvariantCulture,
            $"The new {heights.Axle.Said()} suspension is set up at {LengthText.Both(plan.Of(heights.Axle)!.SetUpAt!.In(Unit.Mm))} and settles {LengthText.Both(Math.Abs(heights.SettlesMm))} {way} from there, where its springs carry {load:0} N each: no claim enters it."
        );
    }

    /// <summary>What is true of an axle that holds its height by itself.</summary>
    private static string HeldAt(AxleState axle, HeightControl held, PlacedPart[] parts)
    {
        var said =
            $"The {axle.Axle.Said()} height is held by its controller ({(held == HeightControl.OneSensor ? "one sensor, the mean of both sides" : "a sensor at each side")}), to about ± {LengthText.Both(2 * LiftLaw.DeadBandUMm)}";
        return parts.Any(p => p.Kind == PartKind.LevelSensorLink)
            ? $"{said}: another link moves it by what it is longer over the share of the sensor's arm."
            : $"{said}: what stands on its springs lifts nothing there until the sensor's link is moved.";
    }

    /// <summary>On which side of its crossover a dual-rate coil rides, where there is one.</summary>
    private static string? CoilSaid(AxleState axle, PlacedPart[] parts)
    {
        var coil = parts.FirstOrDefault(p => p.Kind == PartKind.Coil) is { } part
            ? CoilSpring.Of(part)
            : CoilSpring.Of(axle.Suspension);
        return coil is { Beyond: var (crossover, second) } && axle.SpringLoadN is { } load
            ? string.Create(
                CultureInfo.InvariantCulture,
                $"The {axle.Axle.Said()} coil carries {load:0} N and changes its rate at {crossover:0} N: it rides {(load > crossover ? "beyond that, on its second rate" : "below that, on its first rate")}, {(load > crossover ? second : coil.Value.RateNPerMm):0.#} N/mm."
            )
            : null;
    }

    private static bool OneSided(Plan plan, Axle axle)
    {
        var sides = Corners
            .Of(axle)
            .Select(c =>
                CornerStack
                    .At(plan.Stacks, c)
                    .Where(p => PartRule.Of(p.Kind).MayLift)
                    .Select(p => (p.Name, p.Thickness?.In(Unit.Mm)))
                    .Order()
            )
            .ToArray();
        return !sides[0].SequenceEqual(sides[1]);
    }

    private static IEnumerable<string> OfAxle(AxleState axle, PlacedPart[] parts)
    {
        bool Has(LiftFamily family) => parts.Any(p => PartRule.Of(p.Kind).Family == family);
        if (axle.Suspension.HeightControl is { } held)
        {
            yield return HeldAt(axle, held, parts);
            // What does not go through the springs counts as ever.
            parts = [.. parts.Where(p => !PartRule.Of(p.Kind).Family.ThroughSprings())];
        }
        if (Has(LiftFamily.Spring))
        {
            yield return Ratio(axle);
        }
        if (axle.Suspension.HeightControl is null && CoilSaid(axle, parts) is { } coil)
        {
            yield return coil;
        }
        if (Has(LiftFamily.Adjuster))
        {
            yield return Proved(axle, LiftFamily.Adjuster, "A turn of the adjuster lifts")
                ?? (
                    axle.Torsion is { PerTurnMm: { } turn }
                        ? $"A turn of the {axle.Axle.Said()} adjusters lifts {LengthText.Both(turn.Mean)}, as it was read by turning them."
                        : $"What a turn of the {axle.Axle.Said()} adjusters lifts follows from arm, bar, lever and pitch, to about 15 in 100: turn once, roll, read, and enter it."
                );
            yield return "Turned bars leave the travel where it was: what the body gains is taken from the droop.";
        }
        if (parts.Any(p => p.Kind is PartKind.DropBracket or PartKind.SubframeBlock))
        {
            yield return "Lowered pivots lift by as much as they go down, and take as much from the strut.";
        }
        if (Has(LiftFamily.Block))
        {
            yield return Proved(axle, LiftFamily.Block, "A block lifts")
                ?? "A block lifts by its own thickness.";
        }
        if (Has(LiftFamily.Shackle))
        {
            var pulled = axle.Suspension.ShacklePivot == ShacklePivot.BelowEye;
            if (pulled)
            {
                yield return "The shackle's pivot on the frame stands below the spring's eye: a longer one lowers.";
            }
            yield return Proved(
                axle,
                LiftFamily.Shackle,
                $"A longer shackle {(pulled ? "lowers" : "lifts")}"
            )
                ?? (
                    axle.Leaf is null
                        ? "It does so by about half of what it is longer, a rule of thumb: tape leaf and shackle for a better one."
                        : "The shackle was solved with the leaf's taped chord and arch."
                );
        }
        if (Has(LiftFamily.Puck))
        {
            yield return "Body pucks raise the body over the frame, one to one; the suspension stays as it is.";
            if (axle.Suspension.Get(SuspensionSizes.MountFound) is null)
            {
                yield return parts.Any(p => p.Kind == PartKind.BodyMount)
                    ? "Nobody taped the old body mounts: new ones give back what those are crushed by, 5 ± 10 mm by a rule of thumb."
                    : "The old body mounts go in again and may sit otherwise than before, ± 6 mm by a rule of thumb: tape their thickness.";
            }
        }
        if (parts.FirstOrDefault(p => p.Leaves.Count > 0) is { } pack)
        {
            yield return pack.Get(PartSizes.Rate) is { } rate
                ? string.Create(
                    CultureInfo.InvariantCulture,
                    $"The pack's rate is {rate:0.#} N/mm, as entered."
                )
                : string.Create(
                    CultureInfo.InvariantCulture,
                    $"The pack's rate of {LeafPackBuild.Of(pack).RateNPerMm:0.#} N/mm is worked out from its leaves, to about 20 %: a ballast test tells it."
                );
        }
        if (
            axle is { Sag: null, BelowStandard: null }
            && parts.Any(p => StackAmounts.GivesSagBack(p, axle))
        )
        {
            var guess = SpringSag.Unmeasured(axle.OdometerKm);
            yield return $"Nobody knows how far the old springs have sagged: a new one gives it back, {LengthText.Both(guess.Mean)} with ± {LengthText.Both(2 * guess.Sd)} by a rule of thumb. Standard heights tell it.";
        }
        foreach (var spring in parts.DistinctBy(p => p.Name))
        {
            if (StackAmounts.OtherVehicleUMm(spring, axle) is > 0 and var u)
            {
                yield return string.Create(
                    CultureInfo.InvariantCulture,
                    $"{spring.Name} lifts {LengthText.Both(spring.Get(PartSizes.DesignLift)!.Value)} on the vehicle that it was made for, at {spring.Get(PartSizes.DesignLoad):0} N a wheel. Nobody noted which engine, load and trim that is: counted as another vehicle's, with ± {LengthText.Both(2 * u)} for it. Note it at the part on the shelf."
                );
            }
        }
    }

    /// <summary>A line that our own jobs have moved; null while there is only what was believed before.</summary>
    private static string? Proved(AxleState axle, LiftFamily family, string what) =>
        axle.Learned?.GetValueOrDefault(family) is { } learned
            ? string.Create(
                CultureInfo.InvariantCulture,
                $"{what} {learned.Ratio.Mean:0.00} ± {2 * learned.Ratio.Sd:0.00}, as our own jobs proved it: {Jobs(learned.Jobs)} of this platform{(learned.OfThisVehicle > 0 ? $", {learned.OfThisVehicle} of this vehicle" : "")}."
            )
            : null;

    private static string Jobs(int n) => n == 1 ? "1 job" : $"{n} jobs";

    private static string Ratio(AxleState axle)
    {
        if (Proved(axle, LiftFamily.Spring, "Lift ratio") is { } proved)
        {
            return axle.Corner.Grade == RatioGrade.RuleOfThumb
                ? proved
                : $"{proved} The arms' own points are in it.";
        }
        var (mean, sd) = (axle.Corner.Ratio.Mean, axle.Corner.Ratio.Sd);
        return axle.Corner.Grade switch
        {
            RatioGrade.Taped => string.Create(
                CultureInfo.InvariantCulture,
                $"Lift ratio {mean:0.00} ± {2 * sd:0.00} at ride height, from the suspension's taped points."
            ),
            RatioGrade.Archetype => string.Create(
                CultureInfo.InvariantCulture,
                $"Lift ratio {mean:0.00} ± {2 * sd:0.00}, from a usual {axle.Suspension.Kind.Said()} fitted to what was taped: all its points make it better."
            ),
            _ => string.Create(
                CultureInfo.InvariantCulture,
                $"Lift ratio {mean:0.##} ± {2 * sd:0.##} for a {axle.Suspension.Kind.Said()}, a rule of thumb: tape the suspension's points for a better one."
            ),
        };
    }
}
