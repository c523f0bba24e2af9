using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>How far a lift pulls the ends of an anti-roll bar down, and by how much its links must be longer.</summary>
/// <remarks>Source: docs/computation/geometry.md#anti-roll-bar-and-its-links.</remarks>
internal static class SwayBarMechanism
{
    /// <summary>Nearer than this to one line with its link, the bar may snap over, °: a rule of thumb.</summary>
    private const double LineDegrees = 20;

    /// <summary>The bar's end for each mm of the wheel, where its link stands on an arm, and where on an upright or a strut.</summary>
    private static readonly (Estimate OnArm, Estimate OnUpright) Usual = (
        new(0.7, 0.15),
        new(1, 0.1)
    );

    private static readonly (Estimate Arm, Estimate Link) Invented = (new(240, 60), new(150, 60));

    /// <summary>Whether an axle has a bar, as far as anybody said: a rate of zero is none.</summary>
    public static bool HasBar(Vehicles.Suspension suspension) =>
        suspension.Get(SuspensionSizes.BarRate) is not 0;

    /// <summary>Whether its arm was taped, so that its slope is foretold.</summary>
    public static bool IsTaped(Vehicles.Suspension suspension) =>
        HasBar(suspension) && suspension.Get(SuspensionSizes.BarArm) is not null;

    /// <summary>How far the bar's end goes for each mm by which both wheels go, with its standard uncertainty; all of it on a live axle.</summary>
    public static Estimate EndShare(Vehicles.Suspension suspension) =>
        suspension.Kind.IsLiveAxle() ? new(1, 0)
        : suspension.Get(SuspensionSizes.BarEndShare) is { } taped ? new(taped, AxleSizes.ShareU)
        : suspension.Kind == SuspensionKind.Strut ? Usual.OnUpright
        : Usual.OnArm;

    /// <summary>How far a lift takes the link's foot down against the bar's pivots, mm: by so much longer a link brings the bar back.</summary>
    /// <param name="liftMm">Rise of the frame over the axle, mm.</param>
    /// <param name="share">The bar's end for each mm of the wheel.</param>
    /// <param name="parts">What is fitted: a bracket takes arm and foot down whole, a subframe takes the bar along.</param>
    /// <param name="kind">The suspension.</param>
    public static double DownMm(
        double liftMm,
        double share,
        IReadOnlyList<PlacedPart> parts,
        SuspensionKind kind
    )
    {
        double Amount(PartKind of) =>
            kind.IsLiveAxle()
                ? 0
                : parts.Where(p => p.Kind == of).Max(p => p.Thickness?.In(Unit.Mm)) ?? 0;
        var bracket = Amount(PartKind.DropBracket);
        return (share * (liftMm - bracket - Amount(PartKind.SubframeBlock))) + bracket;
    }

    /// <summary>The mechanism; null on an axle without a bar.</summary>
    public static Mechanism? Of(LiftedAxle axle)
    {
        var suspension = axle.Suspension;
        if (!HasBar(suspension))
        {
            return null;
        }
        var share = EndShare(suspension);
        var sizes = new AxleSizes(suspension)
            .Size(SuspensionSizes.BarArm, Invented.Arm)
            .Size(SuspensionSizes.BarLink, Invented.Link)
            .Rise(axle.Rise);
        sizes = suspension.Kind.IsLiveAxle()
            ? sizes.Fixed(1)
            : sizes.Share(SuspensionSizes.BarEndShare, share);
        var at = sizes.At;
        double Down(double[] x, double up) => DownMm(x[2] - up, x[3], axle.Parts, suspension.Kind);
        SwayBar Bar(double[] x) => new(x[0], x[1]);
        var wanted = Down(at, 0);
        // Links on one side alone leave the other as it was, and twist the bar.
        double? planned = axle.Has(PartKind.SwayBarLink)
            ? axle.Sides.Min(side =>
                side.Where(p => p.Kind == PartKind.SwayBarLink).Max(p => p.Thickness?.In(Unit.Mm))
                ?? 0
            )
            : null;
        var part = axle.Nearest(PartKind.SwayBarLink, wanted);
        MechanismWay Way(
            WayKind kind,
            string said,
            Func<double[], double> longer,
            PartKind? link = null
        )
        {
            double Foot(double[] x, double up) => kind == WayKind.Before ? -x[3] * up : Down(x, up);
            var lines = axle.DroopMm is { } droop
                ? Bar(at).FromLineRad(Foot(at, -droop), longer(at))
                : null;
            return new MechanismWay
            {
                Kind = kind,
                Said = said,
                Part = link,
                Figure =
                    kind == WayKind.Before
                        ? Result.Of(0, Unit.Degree, 0, [])
                        : sizes.Worked(Unit.Degree, x => Bar(x).SlopeRad(Foot(x, 0), longer(x))),
                Also =
                [
                    .. kind == WayKind.Lifted
                        ? (LabelledResult[])
                            [
                                sizes.Worked(
                                    "Links that bring it back are longer by",
                                    Unit.Mm,
                                    x => Down(x, 0)
                                ),
                            ]
                        : [],
                    .. link is not null
                        ? (LabelledResult[])
                            [sizes.Worked("The link, hole to hole", Unit.Mm, x => x[1] + longer(x))]
                        : [],
                    axle.DroopMm is not { } d
                        ? new(
                            "At full droop its arm slopes by",
                            Result.No(Unit.Degree, "How far it will droop is not known.")
                        )
                    : lines is null
                        ? new(
                            "At full droop its arm slopes by",
                            Result.No(Unit.Degree, "The links do not reach that far.")
                        )
                    : sizes.Worked(
                        "At full droop its arm slopes by",
                        Unit.Degree,
                        x => Bar(x).SlopeRad(Foot(x, -d), longer(x))
                    ),
                ],
                // On sizes that nobody taped no danger is made up.
                Care =
                    !sizes.Invented
                    && axle.DroopMm is not null
                    && (lines is null || lines * Degrees < LineDegrees)
                        ? new Caution(
                            Heed.Stop,
                            lines is null
                                ? "At full droop the links do not reach: they would hang the axle, or the bar snaps over. Longer ones, or less droop."
                                : "At full droop arm and link lie nearly in one line: the bar may snap over. Longer links, or less droop."
                        )
                        : null,
                Travel = axle.Through(
                    up => Bar(at).SlopeRad(Foot(at, up), longer(at)) * Degrees,
                    up => Rods(Bar(at), Foot(at, up), longer(at))
                ),
            };
        }
        return new Mechanism
        {
            Kind = MechanismKind.SwayBar,
            Where = axle.Axle.Said(),
            FigureLabel = "The anti-roll bar’s arm slopes down, more than it did, by",
            Says = Says(),
            Ways =
            [
                Way(WayKind.Before, "As it was", _ => 0),
                .. axle.Lifts
                    ? (MechanismWay[])[Way(WayKind.Lifted, "Lifted, links left", _ => 0)]
                    : [],
                .. planned is { } by
                    ? (MechanismWay[])
                        [
                            Way(
                                WayKind.Planned,
                                by > 0
                                    ? $"As planned: links {LengthText.Both(by)} longer"
                                    : "As planned: a longer link on one side only, or of unknown length",
                                _ => by,
                                PartKind.SwayBarLink
                            ),
                        ]
                    : [],
                .. axle.Lifts && planned is null
                    ? (MechanismWay[])
                        [
                            Way(
                                WayKind.Cure,
                                $"{part.Name ?? "Links"}: {LengthText.Both(part.Mm)} longer",
                                _ => part.Mm,
                                PartKind.SwayBarLink
                            ),
                        ]
                    : [],
            ],
            Asks = axle.Lifts ? sizes.Asks(Unit.Degree, x => Bar(x).SlopeRad(Down(x, 0))) : [],
            Checks =
            [
                "Connect both links on its wheels only, left and right together: each bolt passes by hand.",
                "At full droop and full lock nothing of bar or link touches hose, tyre or shaft.",
                "No bar on this axle? Enter 0 as its rate under Vehicle: then nothing of it is told.",
            ],
        };

        string Says()
        {
            if (!axle.Lifts)
            {
                return "Nothing lifts here: the bar lies as it lay.";
            }
            if (Bar(at).SlopeRad(Down(at, 0)) is not { } slope)
            {
                return "Its links cannot reach that far: longer ones, or it hangs the axle.";
            }
            var left = planned is { } by ? Bar(at).SlopeRad(Down(at, 0), by) : slope;
            var off = FormattableString.Invariant($"{Math.Abs(slope) * Degrees:0.0}°");
            if (planned is not null && left is { } rest)
            {
                return FormattableString.Invariant(
                    $"As planned its arm slopes by {Math.Abs(rest) * Degrees:0.0}°{(rest * Degrees < -0.05 ? " up" : "")}; with the old links by {off}."
                );
            }
            return Math.Abs(slope) * Degrees <= axle.Limits.Of(MechanismKind.SwayBar)
                ? $"Its arm slopes {off} more: within {axle.Limits.Said(MechanismKind.SwayBar)}; links {LengthText.Both(Math.Abs(wanted))} {(wanted < 0 ? "shorter" : "longer")} bring it back."
                : $"Its arm slopes {off} more; links {LengthText.Both(Math.Abs(wanted))} {(wanted < 0 ? "shorter" : "longer")} bring it back.";
        }
    }

    private const double Degrees = 180 / Math.PI;

    /// <summary>From the side, the bar's pivots on the frame as zero, its arm to the right.</summary>
    private static Rod[]? Rods(SwayBar bar, double downMm, double longerMm)
    {
        if (bar.EndAt(downMm, longerMm) is not { } end)
        {
            return null;
        }
        var foot = bar.Foot(downMm);
        return [new("bar’s arm", 0, 0, end.Y, end.Z), new("link", end.Y, end.Z, foot.Y, foot.Z)];
    }
}
