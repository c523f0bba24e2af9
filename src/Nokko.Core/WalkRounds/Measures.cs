using Nokko.Core.Vehicles;

namespace Nokko.Core.WalkRounds;

/// <summary>The catalogue of measures.</summary>
/// <remarks>Bands are rules of thumb: outside them the tool asks and never blocks.</remarks>
public static partial class Measures
{
    private const string Underneath =
        "Stands on rated points and wheels chocked before anybody reaches under.";

    /// <summary>All measures, in the order in which they are offered.</summary>
    public static IReadOnlyList<Measure> All { get; } =
    [
        Wheel(
            HubHeight,
            "Hub height",
            ReadingKind.Length,
            "Tape from the floor up to the hub's centre. This is the loaded radius of the tyre.",
            150,
            600
        ),
        Wheel(
            RimRadius,
            "Rim radius",
            ReadingKind.Length,
            "Tape from the hub's centre down to the lowest edge of the rim.",
            120,
            350
        ),
        Wheel(
            BumpStopGap,
            "Bump-stop gap",
            ReadingKind.Gap,
            "From the rubber's tip to what it meets, on its wheels.",
            0,
            200,
            caution: Underneath
        ),
        Wheel(
            ShockLength,
            "Shock length",
            ReadingKind.Length,
            "Eye to eye, or pin shoulder to pin shoulder, on its wheels.",
            150,
            900,
            caution: Underneath
        ),
        Wheel(
            "shockCollapsed",
            "Shock, collapsed",
            ReadingKind.Length,
            "Eye to eye, pushed home; off the vehicle or from the maker's sheet.",
            120,
            700
        ),
        Wheel(
            "shockExtended",
            "Shock, extended",
            ReadingKind.Length,
            "Eye to eye, pulled out; off the vehicle or from the maker's sheet.",
            200,
            1100
        ),
        Wheel(
            "droop",
            "Droop",
            ReadingKind.Length,
            "How far the wheel falls from ride height to full droop, body held on stands.",
            0,
            350,
            caution: Underneath
        ),
        Wheel(
            "bump",
            "Bump",
            ReadingKind.Length,
            "How far the wheel rises from ride height until something meets.",
            0,
            350,
            caution: "A jack lifts and never holds: hands out while it rises."
        ),
        Wheel(
            HoseSlack,
            "Brake-hose slack",
            ReadingKind.Gap,
            "At full droop and at both locks: how much further the hose could follow.",
            0,
            400,
            caution: "A hose never carries weight."
        ),
        Wheel(
            Overhang,
            "Tyre beyond the body",
            ReadingKind.Gap,
            "A straight edge down from the lip: how far the tyre's side wall stands out; below zero is inside. Both sides.",
            -120,
            200
        ),
        Wheel(
            FenderAtLock,
            "Tyre to fender at lock",
            ReadingKind.Gap,
            "Least gap while somebody turns the wheel to each lock.",
            0,
            250,
            caution: "Fingers out before the wheel is turned."
        ),
        Wheel(
            "armSlope",
            "Control-arm slope",
            ReadingKind.Angle,
            "Angle gauge along the lower arm, pivot to joint; wheel end low is positive.",
            -30,
            40,
            caution: Underneath
        ),
        Wheel(
            HalfShaftSlope,
            "Half-shaft slope",
            ReadingKind.Angle,
            "Angle gauge along the shaft between its joints, on its wheels; wheel end low is positive.",
            -30,
            40,
            caution: Underneath
        ),
        Wheel(
            Caster,
            "Caster",
            ReadingKind.Angle,
            "Caster gauge, or the swing from 20° out to 20° in. Top rearward is positive.",
            -5,
            15
        ),
        Wheel(
            CamberSquare,
            "Camber by square",
            ReadingKind.Gap,
            "Square on the floor against the rim's lower edge: the gap at its upper edge. Below zero when the upper edge touches first.",
            -40,
            40,
            "Between the two edges"
        ),
        Wheel(
            CamberAngle,
            "Camber",
            ReadingKind.Angle,
            "Alignment rack or camber gauge. Top inward is negative.",
            -8,
            8
        ),
        Wheel(
            ToeAngle,
            "Toe",
            ReadingKind.Angle,
            "Alignment rack. Front edges inward is positive.",
            -4,
            4
        ),
        // What was set is no move of the lift: it has keys of its own.
        Wheel(
            CasterSet,
            "Caster, as set",
            ReadingKind.Angle,
            "From the alignment shop’s printout, as it left. Top rearward is positive.",
            -5,
            15
        ),
        Wheel(
            CamberSet,
            "Camber, as set",
            ReadingKind.Angle,
            "From the alignment shop’s printout, as it left. Top inward is negative.",
            -8,
            8
        ),
        Wheel(
            ToeSet,
            "Toe, as set",
            ReadingKind.Angle,
            "From the alignment shop’s printout, as it left. Front edges inward is positive.",
            -4,
            4
        ),
        Wheel(
            WheelWeight,
            "Weight on its scale",
            ReadingKind.Load,
            "All four wheels on scales of one height, tyres as they will be, an end of each anti-roll bar unhooked, driver or ballast in. Roll it on, settle it, read all four.",
            80,
            2500
        ),
        Axle(
            ToeFront,
            "Toe, front edges",
            ReadingKind.Length,
            "Mark both treads at hub height in front; tape from mark to mark.",
            900,
            2200
        ),
        Axle(
            ToeRear,
            "Toe, rear edges",
            ReadingKind.Length,
            "Roll half a turn until the same marks are behind at hub height; tape again.",
            900,
            2200,
            "Tyre across, at the marks"
        ),
        Axle(
            "thrustAngle",
            "Thrust angle",
            ReadingKind.Angle,
            "Alignment rack. To the left is positive.",
            -3,
            3
        ),
        Axle(
            PanhardRun,
            "Panhard run",
            ReadingKind.Length,
            "Sideways from pivot to pivot, along the floor under a plumb line.",
            400,
            1200,
            caution: Underneath
        ),
        Axle(
            PanhardBody,
            "Panhard, body end",
            ReadingKind.Length,
            "Floor up to the pivot's centre at the body.",
            150,
            900,
            caution: Underneath
        ),
        Axle(
            PanhardAxle,
            "Panhard, axle end",
            ReadingKind.Length,
            "Floor up to the pivot's centre at the axle.",
            150,
            900,
            caution: Underneath
        ),
        Axle(
            DragLinkSlope,
            "Drag-link slope",
            ReadingKind.Angle,
            "Angle gauge along the link, steering straight; axle end low is positive.",
            -20,
            30,
            caution: Underneath
        ),
        Axle(
            PinionAngle,
            "Pinion angle",
            ReadingKind.Angle,
            "Angle gauge on a machined face of the pinion; nose up is positive.",
            -20,
            25,
            caution: Underneath
        ),
        Axle(
            ShaftAngle,
            "Propshaft angle",
            ReadingKind.Angle,
            "Angle gauge on the tube; the axle's end low is positive.",
            -20,
            30,
            caution: Underneath
        ),
        Axle(
            BarArmSlope,
            "Anti-roll bar's arm",
            ReadingKind.Angle,
            "Angle gauge along the bar's arm, both links connected, on its wheels; the link's end low is positive.",
            -60,
            75,
            caution: Underneath
        ),
        new(
            BodyAngle,
            "Body angle",
            ReadingKind.Angle,
            MeasurePlaces.Vehicle,
            "Angle gauge along the sill or door bar; nose down is positive. Turn it round and take both.",
            -6,
            6
        ),
        new(
            LampCutOff,
            "Lamp cut-off on a wall",
            ReadingKind.Length,
            MeasurePlaces.Lamps,
            "Dipped light on a wall, driver's weight in: floor up to the cut-off's edge. The same wall, the same distance, before and after.",
            200,
            1800,
            "To the wall"
        ),
        new(
            "ride",
            "Ride",
            ReadingKind.Note,
            MeasurePlaces.Vehicle,
            "How it rides: harsh, floats, bottoms, wanders.",
            0,
            0
        ),
        new(
            "noise",
            "Noise",
            ReadingKind.Note,
            MeasurePlaces.Vehicle,
            "What knocks, squeaks or hums, where and when.",
            0,
            0
        ),
    ];

    /// <summary>A measure by its key, or null.</summary>
    public static Measure? Find(string? key) => All.FirstOrDefault(m => m.Key == key);

    /// <summary>Names of the places where a measure is taken.</summary>
    public static IReadOnlyList<string> PlacesOf(Measure measure) =>
        measure.Places switch
        {
            MeasurePlaces.Wheels => [.. Corners.All.Select(c => c.Name())],
            MeasurePlaces.Axles => [.. Corners.Axles.Select(a => a.Said())],
            MeasurePlaces.Lamps => ["left lamp", "right lamp"],
            MeasurePlaces.Vehicle => ["vehicle"],
            _ => throw new ArgumentOutOfRangeException(nameof(measure)),
        };

    /// <summary>What sort of place a measure is taken at.</summary>
    public static PlaceKind PlaceKindOf(Measure measure) =>
        measure.Places switch
        {
            MeasurePlaces.Wheels => PlaceKind.Wheel,
            MeasurePlaces.Axles => PlaceKind.Axle,
            _ => PlaceKind.Point,
        };

    private static Measure Wheel(
        string key,
        string title,
        ReadingKind kind,
        string how,
        double low,
        double high,
        string? over = null,
        string? caution = null
    ) => new(key, title, kind, MeasurePlaces.Wheels, how, low, high, over, caution);

    private static Measure Axle(
        string key,
        string title,
        ReadingKind kind,
        string how,
        double low,
        double high,
        string? over = null,
        string? caution = null
    ) => new(key, title, kind, MeasurePlaces.Axles, how, low, high, over, caution);
}
