using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>A wheel's pad of the floor as typed.</summary>
public sealed record PadInput(Corner Wheel, QuantityInput Height);

/// <summary>A wheel's tyre as typed.</summary>
public sealed record TyreInput(Corner Wheel, string? Size, QuantityInput? Pressure);

/// <summary>The conditions of a walk-round as typed.</summary>
/// <param name="Datum">The datum.</param>
/// <param name="Denominator">The tape is divided into 1/this of an inch; 1 is millimetres.</param>
/// <param name="Settled">How it was settled.</param>
/// <param name="HubMarked">Whether the hub centre is marked.</param>
/// <param name="FloorSurveyed">Whether the floor was surveyed.</param>
/// <param name="Spot">Where in the shop.</param>
/// <param name="Fuel">Fuel in the tank.</param>
/// <param name="Load">What is in it.</param>
/// <param name="Odometer">Odometer.</param>
/// <param name="Notes">Notes.</param>
/// <param name="Order">Stations in walking order; left out, those of the round it will be compared with, or of the way of walking.</param>
/// <param name="Walk">The way of walking, when there is no order.</param>
/// <param name="Pads">Heights of the wheels' pads.</param>
/// <param name="PeopleIn">People in it.</param>
/// <param name="Modes">Modes of the vehicle.</param>
/// <param name="SteeringStraight">Whether the wheels stand straight.</param>
/// <param name="Tyres">Tyres and pressures.</param>
/// <param name="Shut">Whether doors, hood, tailgate and top were shut.</param>
/// <param name="BrakeHeld">Whether the parking brake, or a locked gearbox, held the wheels while it settled.</param>
public sealed record RoundConditionsInput(
    Datum Datum,
    int Denominator,
    Settled Settled,
    bool HubMarked,
    bool FloorSurveyed,
    string? Spot,
    string? Fuel,
    string? Load,
    QuantityInput? Odometer,
    string? Notes,
    IReadOnlyList<string>? Order = null,
    WalkingOrder? Walk = null,
    IReadOnlyList<PadInput>? Pads = null,
    int? PeopleIn = null,
    IReadOnlyList<VehicleMode>? Modes = null,
    bool? SteeringStraight = null,
    IReadOnlyList<TyreInput>? Tyres = null,
    bool? Shut = null,
    bool? BrakeHeld = null
)
{
    private const int MostPeople = 60;

    /// <summary>A round under these conditions.</summary>
    /// <exception cref="RefusedException">A field cannot be taken.</exception>
    public WalkRound Apply(WalkRound round, Vehicle vehicle)
    {
        var pads = ReadPads();
        return round with
        {
            Datum = Datum,
            Division = Division(),
            Order = Order is null ? round.Order : ReadOrder(vehicle),
            Settled = Settled,
            HubMarked = HubMarked,
            FloorSurveyed = FloorSurveyed || pads.Length == Corners.All.Count,
            Pads = pads,
            Spot = TypedText.Blank(Spot),
            Fuel = TypedText.Blank(Fuel),
            Load = TypedText.Blank(Load),
            PeopleIn = PeopleIn is < 0 or > MostPeople
                ? throw Refuse.Value("conditions.peopleIn", "So many people do not fit in.")
                : PeopleIn,
            Modes = [.. (Modes ?? []).Distinct()],
            SteeringStraight = SteeringStraight,
            Shut = Shut,
            BrakeHeld = BrakeHeld,
            Tyres = ReadTyres(),
            Odometer = QuantityInput.Read(Odometer, "conditions.odometer", Unit.Km),
            Notes = TypedText.Lines(Notes, "conditions.notes"),
        };
    }

    /// <summary>Smallest division of the tape.</summary>
    /// <exception cref="RefusedException">No tape is divided so.</exception>
    public Quantity Division() =>
        Denominator switch
        {
            1 => Quantity.Mm(1, Known.Told),
            8 or 16 or 32 => new Quantity
            {
                Value = 1.0 / Denominator,
                Unit = Unit.Inch,
                Known = Known.Told,
            },
            _ => throw Refuse.Value(
                "conditions.denominator",
                "A tape is divided in eighths, sixteenths, thirty-seconds or millimetres."
            ),
        };

    private IReadOnlyList<string> ReadOrder(Vehicle vehicle)
    {
        var known = vehicle.Stations.Select(s => s.Name).ToHashSet();
        return Order!.FirstOrDefault(s => !known.Contains(s)) is { } stranger
            ? throw Refuse.Value("conditions.order", $"This vehicle has no station “{stranger}”.")
            : [.. Order!.Distinct()];
    }

    private WheelPad[] ReadPads()
    {
        var pads = (Pads ?? [])
            .Where(p => TypedText.Blank(p.Height.Typed) is not null)
            .Select(p =>
            {
                return new WheelPad { Wheel = p.Wheel, Height = PadHeight(p) };
            })
            .ToArray();
        return pads.DistinctBy(p => p.Wheel).Count() == pads.Length
            ? pads
            : throw Refuse.Value("conditions.pads", "One wheel's pad is given twice.");
    }

    /// <summary>A pad may lie below the common level.</summary>
    private static Quantity PadHeight(PadInput pad)
    {
        var field = $"conditions.pads.{pad.Wheel}";
        var height = QuantityInput.Read(pad.Height, field, Unit.Mm, positive: false)!;
        return Math.Abs(height.In(Unit.Mm)) <= 300
            ? height
            : throw Refuse.Value(field, "A floor that uneven is no floor: measure somewhere else.");
    }

    private IReadOnlyList<WheelTyre> ReadTyres() =>
        [
            .. (Tyres ?? [])
                .Where(t =>
                    TypedText.Blank(t.Size) is not null
                    || TypedText.Blank(t.Pressure?.Typed) is not null
                )
                .Select(t =>
                {
                    var size = TypedText.Blank(t.Size);
                    if (size is not null && TyreSize.Parse(size) is null)
                    {
                        throw Refuse.Value(
                            $"conditions.tyres.{t.Wheel}",
                            "That is no tyre size. Write it as on the tyre, for example 265/70R17."
                        );
                    }
                    return new WheelTyre
                    {
                        Wheel = t.Wheel,
                        Size = size,
                        Pressure = QuantityInput.Read(
                            t.Pressure,
                            $"conditions.pressures.{t.Wheel}",
                            Unit.KPa
                        ),
                    };
                })
                .DistinctBy(t => t.Wheel),
        ];
}
