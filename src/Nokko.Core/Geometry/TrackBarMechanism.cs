using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>What a lift does to a track bar, and what takes it back.</summary>
/// <remarks>Source: docs/computation/geometry.md#track-bar, docs/computation/geometry.md#roll-centre.</remarks>
internal static class TrackBarMechanism
{
    /// <summary>Standard uncertainty of an axle that was centred by the gaps beside its tyres, mm: a rule of thumb.</summary>
    public const double SetByGapsUMm = 0.7;

    /// <summary>A bar that is invented where nobody taped one, mm.</summary>
    public static readonly (Estimate Run, Estimate Drop) Invented = (new(850, 60), new(60, 35));

    /// <summary>Whether an axle is held sideways by a track bar.</summary>
    public static bool Holds(SuspensionKind kind) => kind.IsLiveAxle() && !kind.IsLeaf();

    /// <summary>How far an axle with a track bar sits aside once the frame has risen over it, toward the bar's end at the body above zero, mm.</summary>
    /// <param name="suspension">Its suspension.</param>
    /// <param name="rise">How far the frame rises over its middle.</param>
    /// <param name="parts">What stands at it.</param>
    public static Result Aside(
        Vehicles.Suspension suspension,
        Estimate rise,
        IReadOnlyList<PlacedPart> parts
    ) =>
        (Planned(parts) ?? new Stand(WayKind.Lifted, "", null, TrackBarCure.None)).Figure(
            Sizes(suspension, rise)
        );

    private static AxleSizes Sizes(Vehicles.Suspension suspension, Estimate rise) =>
        new AxleSizes(suspension)
            .Size(SuspensionSizes.TrackBarRun, Invented.Run)
            .Size(SuspensionSizes.TrackBarDrop, Invented.Drop)
            .Rise(rise);

    /// <summary>How the bar stands with what a plan has for it; null where it has nothing.</summary>
    private static Stand? Planned(IReadOnlyList<PlacedPart> parts)
    {
        var by = parts
            .Where(p => p.Kind == PartKind.TrackBarBracket)
            .Max(p => p.Thickness?.In(Unit.Mm));
        return parts.Any(p => p.Kind == PartKind.TrackBar)
                ? new(
                    WayKind.Planned,
                    "As planned: its bar set to the length that centres the axle",
                    PartKind.TrackBar,
                    TrackBarCure.LongerBar,
                    by ?? 0
                )
            : by is { } mm
                ? new(
                    WayKind.Planned,
                    $"As planned: one end relocated by {LengthText.Both(mm)}",
                    PartKind.TrackBarBracket,
                    TrackBarCure.RaisedAxleEnd,
                    mm
                )
            : null;
    }

    /// <summary>The mechanism; null on an axle that has none.</summary>
    public static Mechanism? Of(LiftedAxle axle)
    {
        if (!Holds(axle.Suspension.Kind))
        {
            return null;
        }
        var sizes = Sizes(axle.Suspension, axle.Rise);
        var lift = axle.Rise.Mean;
        var bracket = axle.Nearest(PartKind.TrackBarBracket, lift);
        Stand[] cures =
        [
            new(WayKind.Cure, "Longer bar", PartKind.TrackBar, TrackBarCure.LongerBar),
            new(
                WayKind.Cure,
                $"{bracket.Name ?? "Bracket"}, axle end {LengthText.Both(bracket.Mm)} higher",
                PartKind.TrackBarBracket,
                TrackBarCure.RaisedAxleEnd,
                bracket.Mm
            ),
            new(
                WayKind.Cure,
                $"{bracket.Name ?? "Bracket"}, body end {LengthText.Both(bracket.Mm)} lower",
                PartKind.TrackBarBracket,
                TrackBarCure.LoweredBodyEnd,
                bracket.Mm
            ),
        ];
        var asPlanned = Planned(axle.Parts);
        Stand[] ways =
        [
            new(WayKind.Before, "As it was", null, TrackBarCure.None),
            .. axle.Lifts
                ? (Stand[])[new(WayKind.Lifted, "Lifted, bar left", null, TrackBarCure.None)]
                : [],
            .. asPlanned is null ? [] : (Stand[])[asPlanned],
            .. axle.Lifts ? cures : [],
        ];
        return new Mechanism
        {
            Kind = MechanismKind.TrackBar,
            Where = axle.Axle.Said(),
            FigureLabel = "The axle sits aside, toward the bar's end at the body, by",
            Says = Says(axle, sizes, ways, bracket.Mm),
            Ways = [.. ways.Select(w => w.Way(axle, sizes))],
            Asks = axle.Lifts ? sizes.Asks(Unit.Mm, x => Bar(x).Lifted(x[2])?.ShiftMm) : [],
            Checks =
            [
                "Rim to frame, left and right, before and after: the gaps differ by twice what it sits aside.",
                "The axle is strapped to the frame before a bar's end is undone; its last bolt is final on its wheels.",
            ],
        };
    }

    /// <summary>Where an axle goes that is drawn toward the bar's end at the body above zero.</summary>
    private static string Toward(LiftedAxle axle, double shiftMm) =>
        (axle.Suspension.BarBodyEnd, shiftMm >= 0) switch
        {
            (null, true) => "the bar's end at the body",
            (null, false) => "the bar's end at the axle",
            (Side.Left, true) or (Side.Right, false) => "the left",
            _ => "the right",
        };

    private static TrackBar Bar(double[] x) => new(x[0], x[1]);

    private static string Says(LiftedAxle axle, AxleSizes sizes, Stand[] ways, double bracketMm)
    {
        var bar = Bar(sizes.At);
        if (bar.Lifted(axle.Rise.Mean) is not { } lifted)
        {
            return "The bar cannot reach that far: check its run and drop.";
        }
        if (!axle.Lifts)
        {
            return "Nothing lifts here: the axle stays where it is.";
        }
        var off =
            $"sits {LengthText.Both(Math.Abs(lifted.ShiftMm))} toward {Toward(axle, lifted.ShiftMm)}";
        if (ways.FirstOrDefault(w => w.Kind == WayKind.Planned) is { } planned)
        {
            var left = planned.At(sizes.At)?.ShiftMm ?? 0;
            return Math.Abs(left) <= axle.Limits.Of(MechanismKind.TrackBar)
                ? $"As planned it sits {LengthText.Both(Math.Abs(left))} aside; without it {LengthText.Both(Math.Abs(lifted.ShiftMm))}."
                : $"Even as planned it sits {LengthText.Both(Math.Abs(left))} aside: another length or bracket.";
        }
        return Math.Abs(lifted.ShiftMm) <= axle.Limits.Of(MechanismKind.TrackBar)
            ? $"It {off}: within {axle.Limits.Said(MechanismKind.TrackBar)}."
            : $"It {off}; a bar {LengthText.Both(lifted.CentringBarMm - lifted.BarMm)} longer, or a bracket of {LengthText.Both(bracketMm)}, brings it back.";
    }

    /// <summary>A way in which the bar stands.</summary>
    private sealed record Stand(
        WayKind Kind,
        string Said,
        PartKind? Part,
        TrackBarCure Cure,
        double ByMm = 0
    )
    {
        public LiftedTrackBar? At(double[] x)
        {
            var lift = Kind == WayKind.Before ? 0 : x[2];
            // A bar of another length may stand in a bracket too.
            return Cure == TrackBarCure.LongerBar && ByMm > 0
                ? Bar(x).Lifted(lift - ByMm, Cure) is { } set
                    ? set with
                    {
                        BodyOverRollCentreMm = (lift - ByMm) / 2,
                    }
                    : null
                : Bar(x).Lifted(lift, Cure, ByMm);
        }

        /// <summary>How far the axle sits aside; a bar that can be set is set by the gaps, each taped to a millimetre.</summary>
        public Result Figure(AxleSizes sizes) =>
            Cure == TrackBarCure.LongerBar && At(sizes.At) is { } now
                ? Result.Of(now.ShiftMm, Unit.Mm, SetByGapsUMm, [])
            : Kind == WayKind.Before ? Result.Of(0, Unit.Mm, 0, [])
            : sizes.Worked(Unit.Mm, x => At(x)?.ShiftMm);

        public MechanismWay Way(LiftedAxle axle, AxleSizes sizes)
        {
            var now = At(sizes.At);
            var steered = axle.Axle == Axle.Front;
            double? Swing(double[] x) => At(x)?.SwingMm(axle.DrawnBumpMm, axle.DrawnDroopMm);
            return new MechanismWay
            {
                Kind = Kind,
                Said = Said,
                Part = Part,
                Figure = Figure(sizes),
                Also =
                [
                    .. Kind == WayKind.Before || Cure == TrackBarCure.LongerBar
                        ? (LabelledResult[])[]
                        :
                        [
                            sizes.Worked(
                                "Gaps beside its tyres then differ by",
                                Unit.Mm,
                                x => 2 * At(x)?.ShiftMm
                            ),
                        ],
                    .. Cure == TrackBarCure.LongerBar
                        ? (LabelledResult[])
                            [
                                sizes.Worked("Set it to, hole to hole", Unit.Mm, x => At(x)?.BarMm),
                                sizes.Worked(
                                    "The bar is longer by",
                                    Unit.Mm,
                                    x => At(x)?.BarMm - Bar(x).LengthMm
                                ),
                            ]
                        : [],
                    sizes.Worked("Side to side through its travel", Unit.Mm, Swing),
                    sizes.Worked("The bar slopes by", Unit.Degree, x => At(x)?.SlopeRad),
                    sizes.Worked(
                        "Body over its roll centre, more by",
                        Unit.Mm,
                        x => At(x)?.BodyOverRollCentreMm
                    ),
                ],
                Care =
                    steered && Cure is TrackBarCure.RaisedAxleEnd or TrackBarCure.LoweredBodyEnd
                        ? new Caution(
                            Heed.Stop,
                            "On a steered axle the drag link's end moves by as much, or it steers with every bump."
                        )
                    : steered && Cure == TrackBarCure.LongerBar
                        ? new Caution(
                            Heed.Look,
                            "The drag link is centred again before it is driven."
                        )
                    : Cure == TrackBarCure.LoweredBodyEnd
                        ? new Caution(
                            Heed.Look,
                            "It cures the shift and leaves the lean in bends greater."
                        )
                    : null,
                Travel = now is null
                    ? null
                    : axle.Through(
                        up => now.ShiftMm + now.AsideMm(up),
                        up => Rods(axle, Bar(sizes.At), now, up)
                    ),
            };
        }

        /// <summary>From behind, the body still and the axle's middle line as height zero; the bar's end at the body on the right.</summary>
        private Rod[]? Rods(LiftedAxle axle, TrackBar was, LiftedTrackBar now, double up)
        {
            if (now.AsideMm(up) is not { } aside)
            {
                return null;
            }
            var x = now.ShiftMm + aside;
            var (half, rise) = (was.RunMm / 2, Kind == WayKind.Before ? 0 : axle.Rise.Mean);
            var raised =
                Cure == TrackBarCure.RaisedAxleEnd || (Cure == TrackBarCure.LongerBar && ByMm > 0)
                    ? ByMm
                    : 0;
            return
            [
                new("axle", x - (axle.TrackMm / 2), 0, x + (axle.TrackMm / 2), 0),
                new("bar", x - half, raised, half, raised + now.DropMm - up),
                new("frame", -half, was.DropMm + rise - up, half, was.DropMm + rise - up),
            ];
        }
    }
}
