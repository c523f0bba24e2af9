using System.Text.Json.Serialization;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.WalkRounds;

/// <summary>One set of readings under one set of conditions, at one stage.</summary>
public sealed record WalkRound : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The stage at which the vehicle stood.</summary>
    public required Guid StageId { get; init; }

    /// <summary>The job in which it was walked.</summary>
    public required Guid JobId { get; init; }

    /// <summary>The datum with which a new reading starts.</summary>
    public required Datum Datum { get; init; }

    /// <summary>Smallest division of the tape.</summary>
    public required Quantity Division { get; init; }

    /// <summary>Stations of this round in walking order, by name; empty is every station of the vehicle in its own order.</summary>
    public IReadOnlyList<string> Order { get; init; } = [];

    /// <summary>Whether its heights stand in a document and were not measured: the vehicle as it left the works. Such a round informs and decides nothing.</summary>
    public bool FromDocument { get; init; }

    /// <summary>Whether its heights were told, from paper or a spreadsheet, and nobody noted how it stood.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Told { get; init; }

    /// <summary>How the vehicle came to rest.</summary>
    public required Settled Settled { get; init; }

    /// <summary>Whether the hub centres were marked.</summary>
    public bool HubMarked { get; init; }

    /// <summary>Whether the floor was surveyed.</summary>
    public bool FloorSurveyed { get; init; }

    /// <summary>The floor survey: the height of each wheel's pad above one common level; readings are corrected by it. Empty when none was written down.</summary>
    public IReadOnlyList<WheelPad> Pads { get; init; } = [];

    /// <summary>Where the vehicle stood; rounds with the same name stood on the same spots.</summary>
    public string? Spot { get; init; }

    /// <summary>Fuel as said.</summary>
    public string? Fuel { get; init; }

    /// <summary>Load as said.</summary>
    public string? Load { get; init; }

    /// <summary>People in the vehicle; null is not noted.</summary>
    public int? PeopleIn { get; init; }

    /// <summary>Modes that were on and move the body of their own accord.</summary>
    public IReadOnlyList<VehicleMode> Modes { get; init; } = [];

    /// <summary>Whether the steering stood straight; null is not noted.</summary>
    public bool? SteeringStraight { get; init; }

    /// <summary>Whether doors, hood, tailgate and top were shut; null is not noted.</summary>
    public bool? Shut { get; init; }

    /// <summary>Whether the parking brake, or a locked gearbox, held the wheels while it settled; null is not noted.</summary>
    public bool? BrakeHeld { get; init; }

    /// <summary>Tyres and their pressures, one row a wheel; a wheel that is not listed was not looked at.</summary>
    public IReadOnlyList<WheelTyre> Tyres { get; init; } = [];

    /// <summary>Which side looks lower in front, by eye from ahead; null is not asked.</summary>
    public Looks? LooksFront { get; init; }

    /// <summary>Which side looks lower behind; null is not asked.</summary>
    public Looks? LooksRear { get; init; }

    /// <summary>Odometer.</summary>
    public Quantity? Odometer { get; init; }

    /// <summary>Notes on conditions: ride, noise.</summary>
    public string? Notes { get; init; }

    /// <summary>Who began it.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When it was begun.</summary>
    public required DateTimeOffset At { get; init; }
}

/// <summary>How an axle looks to the eye.</summary>
public enum Looks
{
    /// <summary>Neither side looks lower.</summary>
    Level,

    /// <summary>The left side looks lower.</summary>
    LeftLow,

    /// <summary>The right side looks lower.</summary>
    RightLow,
}

/// <summary>The floor under one wheel.</summary>
public sealed record WheelPad
{
    /// <summary>The wheel: LF, RF, LR or RR.</summary>
    public required Corner Wheel { get; init; }

    /// <summary>Height of the floor there above a level that is common to all four; may be below zero.</summary>
    public required Quantity Height { get; init; }
}

/// <summary>The tyre on one wheel.</summary>
public sealed record WheelTyre
{
    /// <summary>The wheel: LF, RF, LR or RR.</summary>
    public required Corner Wheel { get; init; }

    /// <summary>Size as printed on it; null is as on the vehicle.</summary>
    public string? Size { get; init; }

    /// <summary>Pressure, cold; null is not read.</summary>
    public Quantity? Pressure { get; init; }
}

/// <summary>Something in the vehicle that lifts or lowers it of its own accord.</summary>
public enum VehicleMode
{
    /// <summary>Air suspension, at its normal height.</summary>
    AirNormal,

    /// <summary>Air suspension, raised.</summary>
    AirRaised,

    /// <summary>Air suspension, lowered.</summary>
    AirLowered,

    /// <summary>Self-levelling dampers, not switched off.</summary>
    SelfLevelling,

    /// <summary>Tow mode.</summary>
    Tow,

    /// <summary>A ride mode that raises it: off-road, high.</summary>
    RideHigh,

    /// <summary>A ride mode that lowers it: sport, entry, loading.</summary>
    RideLow,

    /// <summary>Active aerodynamics that lower or raise it.</summary>
    Aero,
}
