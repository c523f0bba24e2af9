using System.Globalization;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <content>An axle on upper and lower links.</content>
internal static partial class TurnMechanism
{
    private static Mechanism OnLinks(LiftedAxle axle)
    {
        var corner = CornerLinkage.Of(axle.Suspension);
        var links = corner.Grade == RatioGrade.Taped ? corner.Linkage as FourLink : null;
        var pitch = (axle.Rises.Rear.Mean - axle.Rises.Front.Mean) / axle.WheelbaseMm;
        // Caster and pinion both stand to the ground: the body's nose-down turn is taken off both.
        double? Turn(FourLink? of, double liftMm, double up, double nose, double bushRad = 0) =>
            of?.AtWheel(up - liftMm) is { } at
                ? ((InFront(axle) ? -1 : 1) * at.TurnRad) - nose + bushRad
                : null;
        MechanismWay Way(
            WayKind kind,
            string said,
            FourLink? of,
            double liftMm,
            double nose,
            PartKind? part = null,
            double bushRad = 0
        ) =>
            new()
            {
                Kind = kind,
                Said = said,
                Part = part,
                Figure =
                    kind == WayKind.Before && of is not null
                        ? Result.Of(0, Unit.Degree, 0, [])
                        : Figure(of, liftMm, nose, bushRad),
                Travel = of is null
                    ? null
                    : axle.Through(
                        up => Turn(of, liftMm, up, nose, bushRad) * Degrees,
                        up => of.AtWheel(up - liftMm) is { } at ? Rods(of, at, liftMm - up) : null
                    ),
            };
        Result Figure(FourLink? of, double liftMm, double nose, double bushRad)
        {
            if (of is null)
            {
                return Result.No(Unit.Degree, "Tape the points of its links: they alone tell it.");
            }
            if (Turn(of, liftMm, 0, nose, bushRad) is not { } turn)
            {
                return Result.No(Unit.Degree, "The links cannot reach that far.");
            }
            // What brackets take off the links' own lift they do not take off its ±.
            var lowered = axle.Rise.Mean - liftMm;
            var (front, rear) = (axle.Rises.Front, axle.Rises.Rear);
            var u = FirstOrder.U(
                x =>
                    Turn(
                        of,
                        (InFront(axle) ? x[0] : x[1]) - lowered,
                        0,
                        (x[1] - x[0]) / axle.WheelbaseMm,
                        bushRad
                    ),
                [(front.Mean, front.Sd), (rear.Mean, rear.Sd)],
                [(0, 1, axle.Rises.Covariance)]
            );
            return Result.Of(
                turn * Degrees,
                Unit.Degree,
                double.Hypot(u * Degrees, PointsUDegrees),
                []
            );
        }
        var lift = axle.Rise.Mean;
        var lifted = Turn(links, lift, 0, pitch);
        double Longer(PartKind kind) =>
            axle
                .Parts.Where(p => p.Kind == kind)
                .Select(p => p.Get(PartSizes.LinkLonger) ?? 0)
                .DefaultIfEmpty(0)
                .MaxBy(Math.Abs);
        var (upper, lower, bush, lowered) = (
            Longer(PartKind.UpperArm),
            Longer(PartKind.LowerArm),
            InFront(axle) ? Bush(axle) : null,
            axle.Amount(PartKind.LinkBracket)
        );
        // With the frame's ends lower the links stand as they would at so much less lift.
        var left = lift - (lowered ?? 0);
        var bracket = axle.Nearest(PartKind.LinkBracket, lift);
        var asPlanned =
            links is not null
            && (upper != 0 || lower != 0 || bush is not null || lowered is not null)
                ? new FourLink(links.Points, upper, lower)
                : null;
        return new Mechanism
        {
            Kind = Kind(axle),
            Where = axle.Axle.Said(),
            FigureLabel = Label(axle),
            Says = links is null
                ? "Tape the points of its links: then the turn of the axle is told."
                : Says(
                    axle,
                    lifted,
                    asPlanned is null ? null : Turn(asPlanned, left, 0, pitch, bush / Degrees ?? 0)
                ),
            Ways =
            [
                Way(WayKind.Before, "As it was", links, 0, 0),
                .. Turns(axle)
                    ? (MechanismWay[])
                        [Way(WayKind.Lifted, "Lifted, links left", links, lift, pitch)]
                    : [],
                .. asPlanned is not null
                    ? (MechanismWay[])
                        [
                            Way(
                                WayKind.Planned,
                                $"As planned: {string.Join(", ", Planned())}",
                                asPlanned,
                                left,
                                pitch,
                                bushRad: bush / Degrees ?? 0
                            ),
                        ]
                    : [],
                .. Turns(axle) && links is not null && lifted is not null ? Cures() : [],
            ],
            Checks = Checks(axle),
        };

        IEnumerable<string> Planned()
        {
            if (upper != 0)
            {
                yield return $"upper links {Said(upper)}";
            }
            if (lower != 0)
            {
                yield return $"lower links {Said(lower)}";
            }
            if (PlannedParts(bush, lowered) is { Length: > 0 } parts)
            {
                yield return parts;
            }
        }

        IEnumerable<MechanismWay> Cures()
        {
            foreach (
                var (part, name, with) in ((PartKind, string, Func<double, FourLink>)[])
                    [
                        (PartKind.UpperArm, "Upper links", x => new(links!.Points, x)),
                        (PartKind.LowerArm, "Lower links", x => new(links!.Points, 0, x)),
                    ]
            )
            {
                if (LengthFor(x => Turn(with(x), lift, 0, pitch)) is { } by)
                {
                    yield return Way(
                        WayKind.Cure,
                        $"{name} {Said(by)}",
                        with(by),
                        lift,
                        pitch,
                        part
                    );
                }
            }
            if (lift > 0)
            {
                yield return Way(
                    WayKind.Cure,
                    $"{bracket.Name ?? "Link pivots"}, {LengthText.Both(bracket.Mm)} lower",
                    links,
                    lift - bracket.Mm,
                    pitch,
                    PartKind.LinkBracket
                );
            }
        }

        static string Said(double longer) =>
            $"{LengthText.Both(Math.Abs(longer))} {(longer < 0 ? "shorter" : "longer")}";

        static Rod[] Rods(FourLink links, FourLinkPosition at, double frameUp) =>
            [
                Rod.Of("wheel", at.WheelCentre, at.WheelCentre, frameUp),
                Rod.Of("lower link", at.LowerAxleJoint, links.Points.LowerPivot, frameUp),
                Rod.Of("upper link", at.UpperAxleJoint, links.Points.UpperPivot, frameUp),
                Rod.Of("axle", at.LowerAxleJoint, at.UpperAxleJoint, frameUp),
            ];
    }

    /// <summary>By how much a link must be longer so that nothing turns, mm; null where no length within reach does it.</summary>
    private static double? LengthFor(Func<double, double?> turn)
    {
        const double Step = 0.5;
        const double Most = 80;
        var x = 0.0;
        for (var i = 0; i < 20; i++)
        {
            if (turn(x) is not { } now)
            {
                return null;
            }
            if (Math.Abs(now) < 1e-9)
            {
                return x;
            }
            if ((turn(x + Step) - turn(x - Step)) / (2 * Step) is not { } slope || slope == 0)
            {
                return null;
            }
            x -= now / slope;
            if (!(Math.Abs(x) <= Most))
            {
                return null;
            }
        }
        return null;
    }
}
