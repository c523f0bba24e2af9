using Nokko.Core.Stance;
using Nokko.Core.Units;

namespace Nokko.Core.Vehicles;

/// <summary>What usually goes with a sort of vehicle; each can be chosen otherwise.</summary>
/// <param name="Said">The sort as said in a bay.</param>
/// <param name="BodyKind">How its body is carried.</param>
/// <param name="Front">Its front suspension.</param>
/// <param name="Rear">Its rear suspension.</param>
public sealed record UsualVehicle(
    string Said,
    BodyKind BodyKind,
    SuspensionKind Front,
    SuspensionKind Rear
);

/// <summary>Sizes used until somebody measures: all marked estimated, with wide uncertainties.</summary>
/// <remarks>Rules of thumb for the sort of vehicle; no value belongs to a real one.</remarks>
public static class VehicleDefaults
{
    /// <summary>Tyre size when none was read.</summary>
    /// <param name="kind">The sort of vehicle.</param>
    public static string TyreSize(VehicleKind kind) =>
        kind switch
        {
            VehicleKind.Utv => "25x10-12",
            VehicleKind.Estate => "215/65R16",
            _ => "265/70R17",
        };

    /// <summary>What usually goes with a sort of vehicle.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no sort.</exception>
    public static UsualVehicle With(VehicleKind kind) =>
        kind switch
        {
            VehicleKind.Pickup => new(
                "pickup",
                BodyKind.BodyOnFrame,
                SuspensionKind.CoilOverArm,
                SuspensionKind.LeafOverslung
            ),
            VehicleKind.OpenTop => new(
                "open-top 4x4",
                BodyKind.BodyOnFrame,
                SuspensionKind.CoilFourLink,
                SuspensionKind.CoilFourLink
            ),
            VehicleKind.Wagon => new(
                "SUV or wagon",
                BodyKind.BodyOnFrame,
                SuspensionKind.CoilOverArm,
                SuspensionKind.CoilFourLink
            ),
            VehicleKind.Estate => new(
                "estate or car",
                BodyKind.Unibody,
                SuspensionKind.Strut,
                SuspensionKind.MultiLink
            ),
            VehicleKind.Utv => new(
                "UTV or cart",
                BodyKind.BodyOnFrame,
                SuspensionKind.CoilOverArm,
                SuspensionKind.TrailingArm
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No sort of vehicle."),
        };

    private static (double Wheelbase, double Track, double Front, double Rear, double Sill) Usual(
        VehicleKind kind
    ) =>
        kind switch
        {
            VehicleKind.OpenTop => (2700, 1600, 950, 900, 520),
            VehicleKind.Wagon => (2800, 1620, 1250, 1100, 460),
            VehicleKind.Estate => (2750, 1580, 1000, 800, 330),
            VehicleKind.Utv => (2100, 1250, 330, 400, 380),
            _ => (3300, 1600, 1150, 850, 480),
        };

    /// <summary>Fills what is not known of a vehicle.</summary>
    /// <param name="known">What is known.</param>
    /// <param name="kind">The sort of vehicle.</param>
    public static VehicleDimensions Fill(VehicleDimensions known, VehicleKind kind)
    {
        var usual = Usual(kind);
        var wheelbase = known.Wheelbase ?? Guess(usual.Wheelbase, Unit.Mm, 0.045 * usual.Wheelbase);
        var track = known.FrontTrack ?? Guess(usual.Track, Unit.Mm, 40);
        return known with
        {
            Wheelbase = wheelbase,
            FrontTrack = track,
            RearTrack = known.RearTrack ?? Guess(track.In(Unit.Mm), Unit.Mm, 40),
            FrontSpringBase = known.FrontSpringBase ?? Guess(0.62 * track.In(Unit.Mm), Unit.Mm, 60),
            RearSpringBase = known.RearSpringBase ?? Guess(0.66 * track.In(Unit.Mm), Unit.Mm, 60),
            FrontAxleMass = known.FrontAxleMass ?? Guess(usual.Front, Unit.Kg, 0.1 * usual.Front),
            RearAxleMass = known.RearAxleMass ?? Guess(usual.Rear, Unit.Kg, 0.14 * usual.Rear),
            FrontUnsprungShare = known.FrontUnsprungShare ?? Guess(0.12, Unit.One, 0.03),
            RearUnsprungShare = known.RearUnsprungShare ?? Guess(0.2, Unit.One, 0.05),
            SillHeight = known.SillHeight ?? Guess(usual.Sill, Unit.Mm, 60),
            MidMark = known.MidMark ?? Guess(0.42 * wheelbase.In(Unit.Mm), Unit.Mm, 100),
        };
    }

    /// <summary>The six stations of a first walk-round, in walking order: down the left side, up the right.</summary>
    /// <param name="sizes">Filled sizes: wheelbase, tracks and mid mark are needed.</param>
    /// <param name="kind">On a pickup the rear lips are on the bed.</param>
    /// <exception cref="ArgumentException">A needed size is missing.</exception>
    public static IReadOnlyList<Station> Stations(VehicleDimensions sizes, VehicleKind kind)
    {
        if (
            sizes
            is not {
                Wheelbase: { } wheelbase,
                FrontTrack: { } front,
                RearTrack: { } rear,
                MidMark: { } mid
            }
        )
        {
            throw new ArgumentException(
                "Stations need wheelbase, tracks and the mid mark.",
                nameof(sizes)
            );
        }
        var bed = kind == VehicleKind.Pickup ? Carrier.Bed : Carrier.Body;
        var (x, f, r, m) = (
            wheelbase.In(Unit.Mm),
            front.In(Unit.Mm) / 2,
            rear.In(Unit.Mm) / 2,
            mid.In(Unit.Mm)
        );
        // Door handles and sill marks stand a little outside the wheels' middle.
        var side = Math.Max(f, r) + 60;
        return
        [
            At("LF", 0, f, Carrier.Body),
            At("LM", -m, side, Carrier.Body),
            At("LR", -x, r, bed),
            At("RR", -x, -r, bed),
            At("RM", -m, -side, Carrier.Body),
            At("RF", 0, -f, Carrier.Body),
        ];
    }

    /// <summary>Stations that a vehicle may have beside the six: sills front and rear, bumper corners. Their places are estimated from wheelbase and track.</summary>
    /// <param name="sizes">Filled sizes: wheelbase and tracks are needed.</param>
    /// <param name="kind">On a pickup the rear bumper hangs on the frame with the bed.</param>
    /// <exception cref="ArgumentException">A needed size is missing.</exception>
    public static IReadOnlyList<Station> MoreStations(VehicleDimensions sizes, VehicleKind kind)
    {
        if (sizes is not { Wheelbase: { } wheelbase, FrontTrack: { } front, RearTrack: { } rear })
        {
            throw new ArgumentException("Stations need wheelbase and tracks.", nameof(sizes));
        }
        var (x, side) = (wheelbase.In(Unit.Mm), Math.Max(front.In(Unit.Mm), rear.In(Unit.Mm)) / 2);
        // Rules of thumb: sills begin a wheel's length behind the axle, bumpers stand 0.26 and 0.32 of the wheelbase beyond.
        var back = kind == VehicleKind.Pickup ? Carrier.Bed : Carrier.Body;
        return
        [
            .. Pair("sill", "F", -0.17 * x, side - 40, Carrier.Body),
            .. Pair("sill", "R", -0.66 * x, side - 40, Carrier.Body),
            .. Pair("bumper", "F", 0.26 * x, side - 60, Carrier.Body),
            .. Pair("bumper", "R", -1.32 * x, side - 60, back),
        ];

        static IEnumerable<Station> Pair(
            string what,
            string end,
            double x,
            double y,
            Carrier carrier
        ) => [At($"{what} L{end}", x, y, carrier), At($"{what} R{end}", x, -y, carrier)];
    }

    private static Station At(string name, double x, double y, Carrier carrier) =>
        new()
        {
            Name = name,
            X = Quantity.Mm(x, Known.Estimated),
            Y = Quantity.Mm(y, Known.Estimated),
            Carrier = carrier,
        };

    private static Quantity Guess(double value, Unit unit, double u) =>
        new()
        {
            Value = value,
            Unit = unit,
            U = u,
            Known = Known.Estimated,
        };
}
