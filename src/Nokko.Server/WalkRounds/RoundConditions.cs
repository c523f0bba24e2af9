using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;

namespace Nokko.Server.WalkRounds;

/// <summary>The conditions of a walk-round as sent.</summary>
/// <param name="Order">Stations in walking order; left out, those of the round it will be compared with, or of the way of walking.</param>
/// <param name="Walk">The way of walking, when there is no order.</param>
internal sealed record RoundConditions(
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
    IReadOnlyList<RoundConditions.Pad>? Pads = null,
    int? PeopleIn = null,
    IReadOnlyList<VehicleMode>? Modes = null,
    bool? SteeringStraight = null,
    IReadOnlyList<RoundConditions.Tyre>? Tyres = null
)
{
    internal sealed record Pad(string Wheel, QuantityInput Height);

    internal sealed record Tyre(string Wheel, string? Size, QuantityInput? Pressure);

    private const int MostPeople = 60;

    /// <summary>A round under these conditions; refuses what cannot be.</summary>
    /// <exception cref="TroubleException">A field cannot be taken.</exception>
    public WalkRound Apply(WalkRound round, JobDocument d)
    {
        var pads = ReadPads();
        return round with
        {
            Datum = Datum,
            Division = Division(),
            Order = Order is null ? round.Order : ReadOrder(d),
            Settled = Settled,
            HubMarked = HubMarked,
            FloorSurveyed = FloorSurveyed || pads.Length == Corners.All.Count,
            Pads = pads,
            Spot = TakeIn.Blank(Spot),
            Fuel = TakeIn.Blank(Fuel),
            Load = TakeIn.Blank(Load),
            PeopleIn = PeopleIn is < 0 or > MostPeople
                ? throw new TroubleException(
                    Trouble.At("conditions.peopleIn", "So many people do not fit in.")
                )
                : PeopleIn,
            Modes = [.. (Modes ?? []).Distinct()],
            SteeringStraight = SteeringStraight,
            Tyres = ReadTyres(),
            Odometer = QuantityInput.Read(Odometer, "conditions.odometer", "km"),
            Notes = TakeIn.Blank(Notes),
        };
    }

    public Quantity Division() =>
        Denominator switch
        {
            1 => Quantity.Mm(1, Known.Told),
            8 or 16 or 32 => new Quantity
            {
                Value = 1.0 / Denominator,
                Unit = "in",
                Known = Known.Told,
            },
            _ => throw new TroubleException(
                Trouble.At(
                    "conditions.denominator",
                    "A tape is divided in eighths, sixteenths, thirty-seconds or millimetres."
                )
            ),
        };

    private IReadOnlyList<string> ReadOrder(JobDocument d)
    {
        var known = d.Vehicle.Stations.Select(s => s.Name).ToHashSet();
        return Order!.FirstOrDefault(s => !known.Contains(s)) is { } stranger
            ? throw new TroubleException(
                Trouble.At("conditions.order", $"This vehicle has no station “{stranger}”.")
            )
            : [.. Order!.Distinct()];
    }

    private WheelPad[] ReadPads()
    {
        var pads = (Pads ?? [])
            .Where(p => TakeIn.Blank(p.Height.Typed) is not null)
            .Select(p =>
            {
                Wheel(p.Wheel, "conditions.pads");
                return new WheelPad { Wheel = p.Wheel, Height = PadHeight(p) };
            })
            .ToArray();
        return pads.DistinctBy(p => p.Wheel).Count() == pads.Length
            ? pads
            : throw new TroubleException(
                Trouble.At("conditions.pads", "One wheel's pad is given twice.")
            );
    }

    /// <summary>A pad may lie below the common level: then its sign stands before the number.</summary>
    private static Quantity PadHeight(Pad pad)
    {
        var field = $"conditions.pads.{pad.Wheel}";
        var typed = pad.Height.Typed.Trim();
        var below = typed is ['-' or '−', ..];
        var read = QuantityInput.Read(
            pad.Height with
            {
                Typed = below ? typed[1..] : typed,
            },
            field,
            "mm",
            positive: false
        )!;
        var height = read with
        {
            Value = below ? -read.Value : read.Value,
            Typed = pad.Height.Typed,
        };
        return Math.Abs(height.In("mm")) <= 300
            ? height
            : throw new TroubleException(
                Trouble.At(field, "A floor that uneven is no floor: measure somewhere else.")
            );
    }

    private IReadOnlyList<WheelTyre> ReadTyres() =>
        [
            .. (Tyres ?? [])
                .Where(t =>
                    TakeIn.Blank(t.Size) is not null || TakeIn.Blank(t.Pressure?.Typed) is not null
                )
                .Select(t =>
                {
                    Wheel(t.Wheel, "conditions.tyres");
                    var size = TakeIn.Blank(t.Size);
                    if (size is not null && TyreSize.Parse(size) is null)
                    {
                        throw new TroubleException(
                            Trouble.At(
                                $"conditions.tyres.{t.Wheel}",
                                "That is no tyre size. Write it as on the tyre, for example 265/70R17."
                            )
                        );
                    }
                    return new WheelTyre
                    {
                        Wheel = t.Wheel,
                        Size = size,
                        Pressure = QuantityInput.Read(
                            t.Pressure,
                            $"conditions.pressures.{t.Wheel}",
                            "kPa"
                        ),
                    };
                })
                .DistinctBy(t => t.Wheel),
        ];

    private static void Wheel(string wheel, string field)
    {
        if (!Corners.All.Contains(wheel))
        {
            throw new TroubleException(
                Trouble.At(field, $"“{wheel}” is no wheel: LF, RF, LR, RR.")
            );
        }
    }
}
