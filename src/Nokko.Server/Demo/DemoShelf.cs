using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Server.Demo;

/// <summary>The made-up shop's shelf: every kind of part, no real brand, number or figure.</summary>
internal sealed class DemoShelf
{
    /// <summary>Of the maker's sheet: on any strut, two of them, never three.</summary>
    private static readonly PartFit Anywhere = new()
    {
        AnyPlatform = true,
        Rules = [new FitRule.AtMost(2)],
    };

    public Part Thin { get; } = Plate("T-100", "Alder plate 1", 1, 2, 8) with { Fit = Anywhere };
    public Part Middle { get; } =
        Plate("T-125", "Alder plate 1 1/4", 1.25, 2.5, 6) with
        {
            Fit = Anywhere,
        };
    public Part Thick { get; } =
        Plate("T-150", "Alder plate 1 1/2", 1.5, 2.5, 4) with
        {
            Fit = Anywhere,
        };
    public Part Unmeasured { get; } = Plate("MB-3", "Moor box spacer", null, 3, 2);
    public Part Block { get; } =
        Inch("B-100", "Fell block 1", PartKind.Block, 1, 1, 4, 18) with
        {
            Dimensions = Sizes(
                (PartSizes.PinDiameter, 15, Unit.Mm),
                (PartSizes.SeatBore, 16, Unit.Mm)
            ),
        };
    public Part TallBlock { get; } =
        Inch("B-200", "Fell block 2", PartKind.Block, 2, 2, 2, 26) with
        {
            Dimensions = Sizes((PartSizes.Taper, 2, Unit.Degree)),
        };
    public Part Preload { get; } =
        Inch("PR-25", "Rowan preload ring", PartKind.PreloadSpacer, 1, 2, 4, 24) with
        {
            Fit = new()
            {
                AnyPlatform = true,
                Rules =
                [
                    new FitRule.NotBeside(PartKind.RaisedCollar),
                    new FitRule.NotWith(VariantAspect.SuspensionOption, ["load-levelling"]),
                ],
            },
            Dimensions = Sizes((PartSizes.MaxStack, 30, Unit.Mm)),
        };
    public Part Lower { get; } =
        Inch("LS-20", "Rowan foot plate", PartKind.StrutLowerSpacer, 0.75, 1.5, 2, 30);
    public Part CoilOver { get; } =
        Inch("CO-7", "Whin coil-over", PartKind.CoilOver, 1.2, 2, 2, 310) with
        {
            Dimensions = Sizes(
                (PartSizes.Rate, 98, Unit.NewtonPerMm),
                (PartSizes.ExtendedLength, 590, Unit.Mm),
                (PartSizes.CollapsedLength, 462, Unit.Mm)
            ),
        };
    public Part CoilRing { get; } =
        Inch("CS-20", "Bracken ring 3/4", PartKind.CoilSpacer, 0.75, 0.75, 8, 14);
    public Part TallRing { get; } =
        Inch("CS-38", "Bracken ring 1 1/2", PartKind.CoilSpacer, 1.5, 1.5, 4, 19);
    public Part HeavyCoil { get; } =
        Inch("HC-40", "Heron coil, heavy", PartKind.Coil, null, 1.75, 2, 96) with
        {
            Dimensions = Sizes(
                (PartSizes.Rate, 40, Unit.NewtonPerMm),
                (PartSizes.FreeLength, 452, Unit.Mm),
                (PartSizes.BindLength, 190, Unit.Mm)
            ),
        };
    public Part BoxCoil { get; } =
        Inch("LC-2", "Heron coil, lift", PartKind.Coil, null, 2, 2, 104) with
        {
            Dimensions = Sizes(
                (PartSizes.Rate, 34, Unit.NewtonPerMm),
                (PartSizes.DesignLift, 46, Unit.Mm),
                (PartSizes.DesignLoad, 4400, Unit.Newton)
            ),
        };
    public Part Pack { get; } =
        Inch("LP-5", "Gorse pack, five leaves", PartKind.LeafPack, null, 2, 2, 240) with
        {
            Dimensions = Sizes(
                (PartSizes.PinDiameter, 15, Unit.Mm),
                (PartSizes.SeatBore, 16, Unit.Mm)
            ),
            Leaves =
            [
                new Leaf
                {
                    FrontMm = 610,
                    RearMm = 660,
                    WidthMm = 60,
                    ThicknessMm = 8,
                    ArchMm = 190,
                },
                new Leaf
                {
                    FrontMm = 590,
                    RearMm = 640,
                    WidthMm = 60,
                    ThicknessMm = 8,
                    ArchMm = 185,
                },
                new Leaf
                {
                    FrontMm = 450,
                    RearMm = 490,
                    WidthMm = 60,
                    ThicknessMm = 8,
                    ArchMm = 105,
                },
                new Leaf
                {
                    FrontMm = 320,
                    RearMm = 350,
                    WidthMm = 60,
                    ThicknessMm = 8,
                    ArchMm = 55,
                },
                new Leaf
                {
                    FrontMm = 380,
                    RearMm = 380,
                    WidthMm = 60,
                    ThicknessMm = 12,
                    ArchMm = 10,
                    Overload = true,
                },
            ],
        };
    public Part Shackle { get; } =
        Inch("SH-15", "Thorn shackle, 1 1/2 longer", PartKind.Shackle, 1.5, 0.75, 4, 34);
    public Part Puck { get; } = Inch("BP-25", "Marl puck 1", PartKind.BodyPuck, 1, 1, 12, 9);
    public Part Bracket { get; } =
        Inch("DB-50", "Sedge drop bracket", PartKind.DropBracket, 2, 2, 2, 180) with
        {
            Fit = new() { AnyPlatform = true, Rules = [new FitRule.NeedsPart(PartKind.DiffDrop)] },
        };
    public Part Subframe { get; } =
        Inch("SB-30", "Teasel subframe block", PartKind.SubframeBlock, 1.1875, 1.1875, 4, 42);
    public Part LowPlate { get; } =
        Inch("ST-30", "Teasel strut plate", PartKind.StrutTopSpacer, 1.1875, 1.1875, 2, 44) with
        {
            Dimensions = Sizes((PartSizes.Recess, 22, Unit.Mm)),
            Fit = new() { Platforms = [new("Tindra Lark")] },
        };
    public Part RearRing { get; } =
        Inch("SR-30", "Teasel coil ring", PartKind.CoilSpacer, 1.1875, 1.1875, 2, 26);
    public Part DiffDrop { get; } =
        Inch("DD-25", "Sedge differential drop", PartKind.DiffDrop, 1, null, 1, 58);
    public Part StopExtension { get; } =
        Inch("BE-25", "Flint stop extension", PartKind.BumpStopExtension, 1, null, 6, 11);
    public Part HoseBracket { get; } =
        Inch("HB-15", "Sedge brake-hose bracket", PartKind.BrakeHoseBracket, 1.5, null, 4, 14);
    public Part LongShock { get; } =
        Inch("SK-9", "Wren shock, long", PartKind.Shock, null, null, 4, 88) with
        {
            Dimensions = Sizes(
                (PartSizes.ExtendedLength, 640, Unit.Mm),
                (PartSizes.CollapsedLength, 395, Unit.Mm)
            ),
        };
    public Part Link { get; } =
        Inch("SL-40", "Wren sway-bar link", PartKind.SwayBarLink, 1.5, null, 4, 29);
    public Part BarBracket { get; } =
        Inch("TB-3", "Rook track-bar bracket, to drill", PartKind.TrackBarBracket, 2, null, 1, 58);
    public Part SetBar { get; } =
        Inch("TB-8", "Rook track bar, adjustable", PartKind.TrackBar, null, null, 1, 164);
    public Part ArmBracket { get; } =
        Inch("AB-20", "Rook arm bracket", PartKind.LinkBracket, 1.5, null, 2, 92);
    public Part WheelSpacer { get; } =
        Inch("WS-25", "Sedge wheel spacer", PartKind.WheelSpacer, 1, null, 4, 38);
    public Part ShaftSpacer { get; } =
        Inch("HS-12", "Sedge half-shaft spacer", PartKind.HalfShaftSpacer, 0.5, null, 2, 36);
    public Part SensorLink { get; } =
        Inch("VL-5", "Tern level-sensor link", PartKind.LevelSensorLink, 0.625, null, 2, 24);
    public Part Bellows { get; } =
        Inch("AB-1", "Siskin air spring", PartKind.AirSpring, null, null, 2, 185);
    public Part DualCoil { get; } =
        Inch("DC-2", "Heron coil, two rates", PartKind.Coil, null, 1.5, 0, 128) with
        {
            Supplier = "Brae Springs",
            DueOn = DateOnly.FromDateTime(DateTime.UtcNow.AddDays(5)),
            Dimensions = Sizes(
                (PartSizes.Rate, 18, Unit.NewtonPerMm),
                (PartSizes.FreeLength, 512, Unit.Mm),
                (PartSizes.SecondRate, 44, Unit.NewtonPerMm),
                (PartSizes.CrossoverLoad, 2700, Unit.Newton),
                (PartSizes.BindLength, 175, Unit.Mm)
            ),
        };
    public Part Tyre { get; } =
        Inch("TY-31", "Plover tyre", PartKind.Tyre, null, null, 4, 170) with
        {
            Dimensions = Sizes(
                (PartSizes.Diameter, 801, Unit.Mm),
                (PartSizes.Width, 268, Unit.Mm),
                (PartSizes.RimOffset, 10, Unit.Mm)
            ),
        };

    public Part SmallTyre { get; } =
        Inch("TY-30", "Plover tyre, small", PartKind.Tyre, null, null, 4, 148) with
        {
            Dimensions = Sizes(
                (PartSizes.Diameter, 772, Unit.Mm),
                (PartSizes.Width, 245, Unit.Mm),
                (PartSizes.RimOffset, 20, Unit.Mm)
            ),
        };

    /// <summary>A kit for any strut over a leaf axle, with a sheet.</summary>
    public Part LevelKit { get; } =
        Inch("LK-15", "Rowan levelling kit", PartKind.Kit, null, null, 2, 210) with
        {
            Supplier = "Brae Springs",
            Fit = new() { AnyPlatform = true, Rules = [new FitRule.NotLevelled(Axle.Rear)] },
            Contents = new KitContents
            {
                FrontClaim = Of(2.25, Unit.Inch, Known.Box),
                RearClaim = Of(1, Unit.Inch, Known.Box),
                Pieces =
                [
                    Boxed("strut plate", 2, PartKind.StrutTopSpacer, 1.25, Corner.LF, Corner.RF),
                    Boxed("block", 2, PartKind.Block, 1, Corner.LR, Corner.RR),
                    new BoxedPiece("flange nut M10", 6, []),
                    Boxed("U-bolts, a set", 2, PartKind.UBolts, null, Corner.LR, Corner.RR),
                ],
                Sheet = new KitSheet(
                    "leaflet in the box, print 3",
                    "Feed the strut's old studs through the plate before the new ones.\nTurn the block's pin down, its step to the front.",
                    "Strut nuts and U-bolts: as the vehicle's own service information says.",
                    "Never over a plate that is in already."
                ),
            },
        };

    /// <summary>A kit for one platform alone.</summary>
    public Part EstateKit { get; } =
        Inch("EK-30", "Teasel estate kit", PartKind.Kit, null, 1.1875, 1, 164) with
        {
            Fit = new() { Platforms = [new("Tindra Lark")] },
            Contents = new KitContents
            {
                Pieces =
                [
                    Boxed("strut plate", 2, PartKind.StrutTopSpacer, 1.1875, Corner.LF, Corner.RF),
                    Boxed("coil ring", 2, PartKind.CoilSpacer, 1.1875, Corner.LR, Corner.RR),
                    new BoxedPiece("sleeve", 2, []),
                ],
            },
        };

    private static BoxedPiece Boxed(
        string name,
        int count,
        PartKind kind,
        double? inches,
        params Corner[] at
    ) =>
        new(
            name,
            count,
            at,
            new PlacedPart
            {
                Id = Guid.Empty,
                Name = name,
                Kind = kind,
                Thickness = inches is { } t ? Of(t, Unit.Inch, Known.Measured) : null,
            }
        );

    public IEnumerable<Part> All =>
        [
            Thin,
            Middle,
            Thick,
            Unmeasured,
            Block,
            TallBlock,
            Preload,
            Lower,
            CoilOver,
            CoilRing,
            TallRing,
            HeavyCoil,
            BoxCoil,
            Pack,
            Shackle,
            Puck,
            Bracket,
            Subframe,
            LowPlate,
            RearRing,
            DiffDrop,
            StopExtension,
            HoseBracket,
            LongShock,
            Link,
            BarBracket,
            SetBar,
            ArmBracket,
            WheelSpacer,
            ShaftSpacer,
            SensorLink,
            DualCoil,
            Bellows,
            Tyre,
            SmallTyre,
            LevelKit,
            EstateKit,
        ];

    private static Part Plate(
        string number,
        string name,
        double? thickness,
        double claim,
        int count
    ) => Inch(number, name, PartKind.StrutTopSpacer, thickness, claim, count, 35);

    private static Part Inch(
        string number,
        string name,
        PartKind kind,
        double? thickness,
        double? claim,
        int count,
        decimal price
    ) =>
        new()
        {
            Id = Guid.CreateVersion7(),
            Number = number,
            Name = name,
            Kind = kind,
            Thickness = thickness is { } t ? Of(t, Unit.Inch, Known.Measured) : null,
            Claim = claim is { } c ? Of(c, Unit.Inch, Known.Box) : null,
            Count = count,
            Price = price,
            Currency = "EUR",
            Hours = Of(
                kind switch
                {
                    PartKind.BumpStopExtension
                    or PartKind.SwayBarLink
                    or PartKind.BrakeHoseBracket => 0.3,
                    PartKind.Coil or PartKind.CoilSpacer or PartKind.Block => 0.9,
                    PartKind.PreloadSpacer or PartKind.LeafPack => 1.8,
                    PartKind.DropBracket => 4,
                    _ => 1.2,
                },
                Unit.Hour,
                Known.Estimated
            ),
        };

    private static Dictionary<string, Quantity> Sizes(
        params (string Name, double Value, Unit Unit)[] sizes
    ) => sizes.ToDictionary(s => s.Name, s => Of(s.Value, s.Unit, Known.Box));

    private static Quantity Of(double value, Unit unit, Known known) =>
        new()
        {
            Value = value,
            Unit = unit,
            Known = known,
        };
}
