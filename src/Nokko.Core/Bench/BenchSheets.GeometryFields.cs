using Nokko.Core.Units;

namespace Nokko.Core.Bench;

/// <content>What the sheets of geometry ask for.</content>
public static partial class BenchSheets
{
    private static class GeometrySheets
    {
        public static BenchSheet[] All { get; } =
        [
            new(
                "trackBar",
                "A track bar after a lift",
                [
                    new("run", "Bar, across from end to end", Unit.Mm, "860"),
                    new(
                        "drop",
                        "Its end at the body higher by, before",
                        Unit.Mm,
                        "60",
                        Positive: false
                    ),
                    new("lift", "Frame rises over the axle by", Unit.Mm, "50", Positive: false),
                    new("moved", "A bracket moves one end by", Unit.Mm, "50", Optional: true),
                    new("bump", "Travel up", Unit.Mm, "70"),
                    new("droop", "Travel down", Unit.Mm, "90"),
                    new("pitch", "Thread pitch of the bar", Unit.Mm, "", Optional: true),
                ]
            ),
            new(
                "steering",
                "Drag link against track bar",
                [
                    new("barRun", "Track bar, across", Unit.Mm, "820"),
                    new("barDrop", "Its end at the body higher by", Unit.Mm, "70", Positive: false),
                    new("linkRun", "Drag link, across", Unit.Mm, "860"),
                    new("linkDrop", "Its end at the arm higher by", Unit.Mm, "74", Positive: false),
                    new("arm", "Steering arm, kingpin to joint", Unit.Mm, "170"),
                    new("lift", "Frame rises over the axle by", Unit.Mm, "50", Positive: false),
                ]
            ),
            new(
                "caster",
                "Caster on radius arms",
                [
                    new("arm", "Arm, pivot to axle middle", Unit.Mm, "900"),
                    new("drop", "Its pivot higher by, before", Unit.Mm, "60", Positive: false),
                    new(
                        "front",
                        "Frame rises over the front axle by",
                        Unit.Mm,
                        "50",
                        Positive: false
                    ),
                    new(
                        "rear",
                        "Frame rises over the rear axle by",
                        Unit.Mm,
                        "50",
                        Positive: false
                    ),
                    new("wheelbase", "Wheelbase", Unit.Mm, "2700"),
                    new("apart", "Holes of the arm, apart", Unit.Mm, "", Optional: true),
                ]
            ),
            new(
                "driveline",
                "A propshaft and its joints",
                [
                    new("run", "Shaft, joint to joint along", Unit.Mm, "1200"),
                    new("drop", "Its end at the axle lower by", Unit.Mm, "190", Positive: false),
                    new("aside", "And aside by", Unit.Mm, "", Optional: true, Positive: false),
                    new("output", "Output slopes down by", Unit.Degree, "4", Positive: false),
                    new("pinion", "Pinion points up by", Unit.Degree, "2", Positive: false),
                    new("ratio", "Axle ratio", Unit.One, "", Optional: true),
                    new("tyre", "Tyre, diameter", Unit.Mm, "", Optional: true),
                ]
            ),
            new(
                "slipYoke",
                "A slip yoke",
                [
                    new("run", "Joint to joint along, before", Unit.Mm, "1300"),
                    new("drop", "Lower at the axle by, before", Unit.Mm, "120", Positive: false),
                    new("nextRun", "Along, then", Unit.Mm, "1292"),
                    new("nextDrop", "Lower by, then", Unit.Mm, "190", Positive: false),
                    new("in", "Spline that is in, before", Unit.Mm, "", Optional: true),
                ]
            ),
            new(
                "swayBar",
                "Sway-bar links",
                [
                    new("arm", "Bar's arm, square to its straight part", Unit.Mm, "240"),
                    new("link", "Link, hole to hole", Unit.Mm, "150"),
                    new("lift", "Frame rises over the axle by", Unit.Mm, "50", Positive: false),
                    new("share", "Bar's end goes, for 1 of the wheel", Unit.One, "0.7"),
                    new("droop", "Down to full droop from there", Unit.Mm, "", Optional: true),
                ]
            ),
            new(
                "wheel",
                "Another rim",
                [
                    new("width", "Width now", Unit.Mm, "190.5"),
                    new("offset", "Offset (ET) now", Unit.Mm, "25", Positive: false),
                    new("nextWidth", "Width then", Unit.Mm, "228.6"),
                    new("nextOffset", "Offset (ET) then", Unit.Mm, "0", Positive: false),
                    new("diameter", "Tyre's diameter now", Unit.Mm, "", Optional: true),
                    new("nextDiameter", "Tyre's diameter then", Unit.Mm, "", Optional: true),
                    new("lock", "Lock, straight to full", Unit.Degree, "", Optional: true),
                ]
            ),
            new(
                "headlights",
                "Headlights on a wall",
                [
                    new("front", "Body rises at the front axle by", Unit.Mm, "55", Positive: false),
                    new("rear", "And at the rear axle by", Unit.Mm, "25", Positive: false),
                    new("wheelbase", "Wheelbase", Unit.Mm, "3600"),
                    new("ahead", "Lamps ahead of the axle by", Unit.Mm, "700", Positive: false),
                    new("wall", "Lamps to the wall", Unit.Mm, "7620"),
                ]
            ),
            new(
                "toe",
                "Toe by tape",
                [
                    new("total", "Fronts narrower by", Unit.Mm, "6", Positive: false),
                    new("across", "Taped over", Unit.Mm, "800"),
                    new("wanted", "Wanted: narrower by", Unit.Mm, "2", Positive: false),
                    new("pitch", "Sleeve, thread pitch", Unit.Mm, "", Optional: true),
                    new("arm", "Steering arm, kingpin to joint", Unit.Mm, "", Optional: true),
                ]
            ),
        ];
    }
}
