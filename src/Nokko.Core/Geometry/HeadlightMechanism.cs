using Nokko.Core.Units;

namespace Nokko.Core.Geometry;

/// <summary>How far the headlights climb on a wall, and what is turned back at the screw.</summary>
/// <remarks>Source: docs/computation/geometry.md#headlights.</remarks>
internal static class HeadlightMechanism
{
    /// <summary>How far lamps usually lie ahead of the axle, mm: a rule of thumb.</summary>
    private static readonly Estimate Ahead = new(700, 150);

    /// <summary>How far the lamps themselves rise over the floor.</summary>
    /// <param name="body">Rise of the body over the floor at both axles, against today.</param>
    /// <param name="wheelbaseMm">Wheelbase, mm.</param>
    public static Result LampRise(AxleRises body, double wheelbaseMm) =>
        Number(body, wheelbaseMm, Unit.Mm, l => l.LampMm);

    /// <summary>A number of the lamps with its ±; how far they lie ahead of the axle is a rule of thumb.</summary>
    private static Result Number(
        AxleRises body,
        double wheelbaseMm,
        Unit unit,
        Func<Headlights, double> of
    )
    {
        double Of(double[] x) => of(Headlights.Of(x[0], x[1], wheelbaseMm, x[2]));
        var factor = unit == Unit.Degree ? 180 / Math.PI : 1;
        return Result.Of(
            Of([body.Front.Mean, body.Rear.Mean, Ahead.Mean]) * factor,
            unit,
            FirstOrder.U(
                x => Of(x),
                [
                    (body.Front.Mean, body.Front.Sd),
                    (body.Rear.Mean, body.Rear.Sd),
                    (Ahead.Mean, Ahead.Sd),
                ],
                [(0, 1, body.Covariance)]
            ) * factor,
            []
        );
    }

    /// <summary>The mechanism.</summary>
    /// <param name="body">Rise of the body over the floor at both axles, against today.</param>
    /// <param name="wheelbaseMm">Wheelbase, mm.</param>
    /// <param name="limits">What is left alone.</param>
    public static Mechanism Of(AxleRises body, double wheelbaseMm, GeometryLimits limits)
    {
        var tilt = Number(body, wheelbaseMm, Unit.Mm, l => l.TiltMm);
        LabelledResult[] moves =
        [
            new("The whole cut-off climbs by", Number(body, wheelbaseMm, Unit.Mm, l => l.ClimbMm)),
            new("The lamp itself stands higher by", LampRise(body, wheelbaseMm)),
            new("The beam tilts up by", Number(body, wheelbaseMm, Unit.Degree, l => l.TiltRad)),
        ];
        var mm = tilt.Have().Mean;
        return new Mechanism
        {
            Kind = MechanismKind.Headlights,
            Where = "vehicle",
            FigureLabel = "By its tilt the cut-off climbs on a wall at 25 ft (7.6 m) by",
            Says =
                Math.Abs(mm) <= limits.Of(MechanismKind.Headlights)
                    ? $"The beam tilts by {LengthText.Both(Math.Abs(mm))} on the wall: within {limits.Said(MechanismKind.Headlights)}."
                    : $"Turn the headlights {(mm > 0 ? "down" : "up")} by {LengthText.Both(Math.Abs(mm))} on a wall at 25 ft (7.6 m), at the screw.",
            Ways =
            [
                new()
                {
                    Kind = WayKind.Before,
                    Said = "As it was",
                    Figure = Result.Of(0, Unit.Mm, 0, []),
                },
                new()
                {
                    Kind = WayKind.Lifted,
                    Said = "Lifted",
                    Figure = tilt,
                    Also = moves,
                },
            ],
            Checks =
            [
                "Mark the cut-off on the wall before the work: the mark closes it.",
                "Only the tilt is turned back; the lawful drop counts from the lamp's new height. Look up which heights your place allows.",
            ],
        };
    }
}
