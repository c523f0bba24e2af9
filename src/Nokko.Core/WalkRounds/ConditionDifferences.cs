using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.WalkRounds;

/// <summary>One way in which two walk-rounds were not taken alike.</summary>
/// <param name="Key">What differs, as the field is named.</param>
/// <param name="Says">What differs, in plain words.</param>
/// <param name="UMm">Standard uncertainty that it adds to every rise, mm; a rule of thumb.</param>
/// <param name="Decides">Whether a verdict may still rest on heights from the hub.</param>
/// <param name="FloorDecides">Whether a verdict may still rest on heights from the floor or the rim.</param>
public sealed record ConditionDifference(
    string Key,
    string Says,
    double UMm,
    bool Decides = true,
    bool FloorDecides = true
);

/// <summary>Compares the conditions of two walk-rounds: what differs enters their comparison.</summary>
/// <remarks>Source: docs/computation/datums.md#datums, docs/computation/uncertainty.md#one-station; the amounts are rules of thumb for a vehicle of about two tonnes.</remarks>
public static class ConditionDifferences
{
    /// <summary>Sink of the body for one person more, half of it unknown, mm.</summary>
    public const double PersonMm = 2;

    /// <summary>Another fuel level, mm.</summary>
    public const double FuelMm = 2;

    /// <summary>Another load, mm.</summary>
    public const double LoadMm = 6;

    /// <summary>Heights that were told: nobody knows tank, load, settling and tape, which shift all of them alike, mm.</summary>
    public const double ToldMm = 8;

    /// <summary>A door, hood or tailgate that stood open in one round only, mm.</summary>
    public const double OpenMm = 2;

    /// <summary>Wheels that the brake held in one round only, mm.</summary>
    public const double BrakeMm = 3;

    /// <summary>Pressures that differ by more than this change the loaded radius by more than a tape division, kPa.</summary>
    public const double PressureKPa = 15;

    /// <summary>Everything that differs from <paramref name="before"/> to <paramref name="after"/>, the heaviest first.</summary>
    /// <param name="before">The earlier round.</param>
    /// <param name="after">The later round.</param>
    /// <param name="vehicle">The vehicle: its tyre size stands where a wheel has none of its own.</param>
    public static IReadOnlyList<ConditionDifference> Between(
        WalkRound before,
        WalkRound after,
        Vehicle vehicle
    )
    {
        var found = new List<ConditionDifference>();
        if (before.Told || after.Told)
        {
            found.Add(
                new(
                    "told",
                    "Heights were told, from paper or a spreadsheet: nobody noted how it stood, so they may all be off alike.",
                    ToldMm
                )
            );
        }
        if (!before.Modes.ToHashSet().SetEquals(after.Modes))
        {
            found.Add(
                new(
                    "modes",
                    $"{Say(before.Modes)} before, {Say(after.Modes)} after: the vehicle lifts itself, so the two are not subtracted for a verdict.",
                    0,
                    false,
                    false
                )
            );
        }
        if (!Same(before.Load, after.Load))
        {
            found.Add(
                new("load", $"Load: {Said(before.Load)} before, {Said(after.Load)} after.", LoadMm)
            );
        }
        if (before.PeopleIn is { } a && after.PeopleIn is { } b && a != b)
        {
            found.Add(
                new(
                    "peopleIn",
                    $"People in it: {a} before, {b} after; about {PersonMm:0} mm each.",
                    PersonMm * Math.Abs(a - b)
                )
            );
        }
        if (!Same(before.Fuel, after.Fuel))
        {
            found.Add(
                new("fuel", $"Fuel: {Said(before.Fuel)} before, {Said(after.Fuel)} after.", FuelMm)
            );
        }
        if (
            before.SteeringStraight is { } straight
            && after.SteeringStraight is { } then
            && straight != then
        )
        {
            found.Add(new("steeringStraight", "The steering stood straight in one round only.", 1));
        }
        if (before.BrakeHeld is { } held && after.BrakeHeld is { } holds && held != holds)
        {
            found.Add(
                new(
                    "brakeHeld",
                    $"The brake held the wheels {(held ? "before" : "after")} and not {(held ? "after" : "before")}: what could not roll did not settle alike.",
                    BrakeMm
                )
            );
        }
        if (before.Shut is { } shut && after.Shut is { } shuts && shut != shuts)
        {
            found.Add(
                new(
                    "shut",
                    $"Doors, hood or tailgate stood open {(shut ? "after" : "before")}: the body hangs otherwise.",
                    OpenMm
                )
            );
        }
        if (!Same(before.Spot, after.Spot) || before.Spot is null)
        {
            found.Add(
                new(
                    "spot",
                    before.Spot is null || after.Spot is null
                        ? "Nobody noted whether both stood on the same spots, so the floor does not cancel."
                        : $"Stood on {before.Spot} before and on {after.Spot} after, so the floor does not cancel.",
                    0
                )
            );
        }
        found.AddRange(Tyres(before, after, vehicle));
        return
        [
            .. found
                .OrderBy(f => f.Decides)
                .ThenBy(f => f.FloorDecides)
                .ThenByDescending(f => f.UMm),
        ];
    }

    private static IEnumerable<ConditionDifference> Tyres(
        WalkRound before,
        WalkRound after,
        Vehicle vehicle
    )
    {
        foreach (var wheel in Corners.All)
        {
            var a = before.Tyres.FirstOrDefault(t => t.Wheel == wheel);
            var b = after.Tyres.FirstOrDefault(t => t.Wheel == wheel);
            var (was, now) = (a?.Size ?? vehicle.TyreSize, b?.Size ?? vehicle.TyreSize);
            if (!Same(was, now))
            {
                yield return new(
                    $"tyres.{wheel}",
                    $"{Sentence(wheel.Name())} tyre: {Said(was)} before, {Said(now)} after. Only heights from the hub can be compared.",
                    0,
                    true,
                    false
                );
            }
            else if (
                a?.Pressure?.In(Unit.KPa) is { } p
                && b?.Pressure?.In(Unit.KPa) is { } q
                && Math.Abs(p - q) > PressureKPa
            )
            {
                yield return new(
                    $"tyres.{wheel}",
                    $"{Sentence(wheel.Name())} tyre: {Pressure(a.Pressure!)} before, {Pressure(b.Pressure!)} after. Heights from the floor carry that; heights from the hub do not.",
                    0,
                    true,
                    false
                );
            }
        }
    }

    private static string Pressure(Quantity q) =>
        string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{q.Value:0.#} {q.Unit}");

    private static string Sentence(string wheel)
    {
        var said = Corners.Said(wheel);
        return char.ToUpperInvariant(said[0]) + said[1..];
    }

    private static bool Same(string? a, string? b) =>
        string.Equals(a?.Trim(), b?.Trim(), StringComparison.OrdinalIgnoreCase);

    private static string Said(string? text) => text is null ? "not noted" : $"“{text}”";

    private static string Say(IReadOnlyList<VehicleMode> modes) =>
        modes.Count == 0
            ? "No mode on"
            : string.Join(
                ", ",
                modes
                    .Order()
                    .Select(m =>
                        m switch
                        {
                            VehicleMode.AirNormal => "air suspension at normal height",
                            VehicleMode.AirRaised => "air suspension raised",
                            VehicleMode.AirLowered => "air suspension lowered",
                            VehicleMode.SelfLevelling => "self-levelling on",
                            VehicleMode.Tow => "tow mode on",
                            VehicleMode.RideHigh => "a high ride mode on",
                            VehicleMode.RideLow => "a low ride mode on",
                            VehicleMode.Aero => "active aero on",
                            _ => throw new ArgumentOutOfRangeException(nameof(modes)),
                        }
                    )
            );
}
