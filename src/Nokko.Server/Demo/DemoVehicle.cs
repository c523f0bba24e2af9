using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Server.Demo;

/// <summary>How a made-up vehicle is built. No figure comes from a real one.</summary>
internal sealed record DemoVehicle
{
    public VehicleKind Kind { get; init; } = VehicleKind.Pickup;
    public BodyKind Body { get; init; } = BodyKind.BodyOnFrame;
    public string Engine { get; init; } = "2.4 diesel";
    public string Drive { get; init; } = "selectable four";
    public required Suspension Front { get; init; }
    public required Suspension Rear { get; init; }
    public required VehicleDimensions Sizes { get; init; }
    public string Tyre { get; init; } = "265/70R17";

    /// <summary>Whether it shall be level with its load on.</summary>
    public bool LevelLoaded { get; init; }
    public string Wish { get; init; } = "Level, no higher than needed";
    public string? Carries { get; init; } = "tools and water cans";
    public IReadOnlyList<StatedLoad> Loads { get; init; } = [];

    public static DemoVehicle Pickup { get; } =
        new()
        {
            Front = Of(SuspensionKind.CoilOverArm),
            Rear = Of(SuspensionKind.LeafOverslung),
            Sizes = new VehicleDimensions
            {
                Wheelbase = Mm(3240, Known.Document),
                FrontTrack = Mm(1580, Known.Document),
                RearTrack = Mm(1580, Known.Document),
                RearSpringBase = Mm(1040),
                SillHeight = Mm(510),
                MidMark = Mm(1340),
            },
        };

    /// <summary>A suspension with sizes in the units of <see cref="SuspensionSizes"/>.</summary>
    public static Suspension Of(SuspensionKind kind, params (string Name, double Value)[] sizes) =>
        new()
        {
            Kind = kind,
            ShacklePivot = kind.IsLeaf() ? ShacklePivot.AboveEye : null,
            Dimensions = sizes.ToDictionary(
                s => s.Name,
                s => new Quantity
                {
                    Value = s.Value,
                    Unit = SuspensionSizes.Find(s.Name)!.Unit,
                    Known = Known.Measured,
                }
            ),
        };

    /// <summary>Wheelbase, tracks, spring bases, sill and mid mark in mm; masses in kg.</summary>
    public static VehicleDimensions Built(
        double wheelbase,
        double track,
        double front,
        double rear,
        double sill,
        double springs = 0
    ) =>
        new()
        {
            Wheelbase = Mm(wheelbase, Known.Document),
            FrontTrack = Mm(track, Known.Document),
            RearTrack = Mm(track, Known.Document),
            FrontSpringBase = springs > 0 ? Mm(springs - 60) : null,
            RearSpringBase = springs > 0 ? Mm(springs) : null,
            FrontAxleMass = Kg(front),
            RearAxleMass = Kg(rear),
            SillHeight = Mm(sill),
            MidMark = Mm(0.42 * wheelbase),
        };

    public static Quantity Mm(double value, Known known = Known.Measured) =>
        Quantity.Mm(value, known);

    public static Quantity Kg(double value) =>
        new()
        {
            Value = value,
            Unit = Unit.Kg,
            Known = Known.Document,
        };
}
