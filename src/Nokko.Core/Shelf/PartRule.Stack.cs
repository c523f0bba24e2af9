using Nokko.Core.Vehicles;

namespace Nokko.Core.Shelf;

/// <content>What stands between body and wheel at a corner: spacers, springs, blocks, pucks, brackets.</content>
public sealed partial record PartRule
{
    private static PartRule[] OfStack() =>
        [
            new(
                PartKind.StrutTopSpacer,
                "strut top spacer",
                Thick,
                LiftFamily.Spring,
                20,
                [PartSizes.Recess, PartSizes.MaxStack],
                PartActs.ByAmount,
                s => s.HasCoilOver(),
                "Studs to the body's holes, so that the strut's foot points as it was marked."
            ),
            new(
                PartKind.CoilOver,
                "whole coil-over",
                "Longer at ride height than the old one",
                LiftFamily.Spring,
                30,
                [
                    PartSizes.Rate,
                    PartSizes.DesignLift,
                    PartSizes.DesignLoad,
                    PartSizes.ExtendedLength,
                    PartSizes.CollapsedLength,
                    PartSizes.BindLength,
                ],
                PartActs.ByAmountOrDesign,
                s => s.HasCoilOver(),
                "Left and right differ on some: read the mark, and look where the reservoir or the clip points."
            ),
            new(
                PartKind.PreloadSpacer,
                "preload spacer",
                Thick,
                LiftFamily.Spring,
                40,
                [PartSizes.MaxStack],
                PartActs.ByAmountInside,
                s => s.HasCoilOver(),
                "Lip towards the seat, coil end against its stop.",
                true
            ),
            new(
                PartKind.RaisedCollar,
                "raised collar",
                "Raised by",
                LiftFamily.Spring,
                41,
                [],
                PartActs.ByAmountInside,
                s => s.HasCoilOver()
            ),
            new(
                PartKind.TorsionAdjuster,
                "turned adjuster",
                null,
                LiftFamily.Adjuster,
                45,
                [PartSizes.Turns],
                PartActs.ByTurns,
                s => s == SuspensionKind.TorsionBarArm
            ),
            new(
                PartKind.CoilSpacer,
                "coil spacer",
                Thick,
                LiftFamily.Spring,
                42,
                [PartSizes.FaceLean, PartSizes.MaxStack], // On A-arms over a leaf across, a pad between leaf and arm does what a coil spacer does.
                PartActs.ByAmountInsideLeaning,
                s => !s.HasCoilOver() && !s.IsLeaf() && s != SuspensionKind.TorsionBarArm,
                "Pocket towards the coil, its pigtail against the stop; the isolator goes back between coil and metal.",
                true
            ),
            new(
                PartKind.Coil,
                "coil spring",
                null,
                LiftFamily.Spring,
                45,
                [
                    PartSizes.Rate,
                    PartSizes.FreeLength,
                    PartSizes.SecondRate,
                    PartSizes.CrossoverLoad,
                    PartSizes.BindLength,
                    PartSizes.DesignLift,
                    PartSizes.DesignLoad,
                ],
                PartActs.AsCoil,
                s => s.HasCoil(),
                "Pigtail against its stop, right end up; left and right may differ.",
                true
            ),
            new(
                PartKind.AirSpring,
                "air spring",
                null,
                LiftFamily.None,
                45,
                [],
                PartActs.Not,
                s => s.HasCoil(),
                "Bellows not twisted, the fitting where the old one had it; no weight on it before it holds air."
            ),
            new(
                PartKind.StrutLowerSpacer,
                "strut lower spacer",
                Thick,
                LiftFamily.Spring,
                50,
                [PartSizes.MaxStack, PartSizes.BoltsLonger],
                PartActs.ByAmount,
                s => s.HasCoilOver() && s != SuspensionKind.Strut
            ),
            new(
                PartKind.LeafPack,
                "leaf pack",
                null,
                LiftFamily.Wheel,
                45,
                [
                    PartSizes.Rate,
                    PartSizes.DesignLift,
                    PartSizes.DesignLoad,
                    PartSizes.ClampLength,
                    PartSizes.PinDiameter,
                    PartSizes.SeatBore,
                ],
                PartActs.AsLeaves,
                s => s.IsLeaf(),
                "Longer half as the old pack had it; clips loose enough for the leaves to slide."
            ),
            new(
                PartKind.Shackle,
                "shackle",
                "Longer than the old one, eye to eye",
                LiftFamily.Shackle,
                47,
                [],
                PartActs.ByAmount,
                s => s.IsLeaf(),
                "Grease nipple and crossbar as the old one had them; it must not turn over."
            ),
            new(
                PartKind.Block,
                "block",
                Thick,
                LiftFamily.Block,
                55,
                [PartSizes.Taper, PartSizes.PinDiameter, PartSizes.SeatBore],
                PartActs.ByAmount,
                s => s.IsLeaf(),
                "Pin in its hole at both faces; a taper's thick end as the sheet says."
            ),
            new(
                PartKind.BodyPuck,
                "body puck",
                "Adds, beside the mount",
                LiftFamily.Puck,
                0,
                [],
                PartActs.ByAmount,
                Anywhere,
                "Crushed side and washer as the old mount had them."
            ),
            new(
                PartKind.BodyMount,
                "new body mount",
                "Thickness, new, as the body will sit on it",
                LiftFamily.Puck,
                0,
                [PartSizes.BoltsLonger],
                PartActs.ByRenewal,
                Anywhere,
                "Upper and lower half as the old mount had them, its sleeve through both."
            ),
            new(
                PartKind.DropBracket,
                "drop bracket",
                "Lowers the pivots by",
                LiftFamily.Wheel,
                60,
                [PartSizes.BoltsLonger],
                PartActs.ByLoweredPivots,
                s => s.HasArms(),
                "Left and right differ: hold it up before it is bolted."
            ),
            new(
                PartKind.SubframeBlock,
                "subframe block",
                "Lowers the subframe by",
                LiftFamily.Wheel,
                5,
                [],
                PartActs.ByLoweredPivots,
                s => s is SuspensionKind.Strut or SuspensionKind.MultiLink,
                "Locating pin in its hole; front and rear blocks may differ."
            ),
        ];
}
