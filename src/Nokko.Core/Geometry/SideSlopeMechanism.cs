using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>By how much sooner a lifted vehicle tips to its side.</summary>
/// <remarks>Source: docs/computation/geometry.md#side-slope.</remarks>
internal static class SideSlopeMechanism
{
    /// <summary>Standard uncertainty of a centre of gravity that was entered without one, mm: a rule of thumb.</summary>
    public const double EnteredUMm = 15;

    /// <summary>Track over twice the height of an invented vehicle's centre of gravity: a rule of thumb for each sort.</summary>
    public static Estimate Usual(VehicleKind kind) =>
        new(
            kind switch
            {
                VehicleKind.OpenTop => 1.08,
                VehicleKind.Wagon => 1.14,
                VehicleKind.Estate => 1.38,
                VehicleKind.Utv => 1.25,
                _ => 1.18,
            },
            0.08
        );

    /// <summary>The mechanism; null where a track is not known.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="cgRise">How far its centre of gravity rises against nothing added, mm.</param>
    public static Mechanism? Of(Vehicle vehicle, Estimate cgRise)
    {
        var d = vehicle.Dimensions;
        if (d is not { FrontTrack: { } front, RearTrack: { } rear })
        {
            return null;
        }
        var track = (front.In(Unit.Mm) + rear.In(Unit.Mm)) / 2;
        var trackU = double.Hypot(front.UIn(Unit.Mm), rear.UIn(Unit.Mm)) / 2;
        var usual = Usual(vehicle.Kind);
        var height = d.CgHeight is { } cg
            ? new Estimate(cg.In(Unit.Mm), cg.UIn(Unit.Mm, EnteredUMm))
            : new Estimate(
                track / (2 * usual.Mean),
                track * usual.Sd / (2 * usual.Mean * usual.Mean)
            );
        var known = d.CgHeight is null ? Known.Archetype : Known.Computed;
        (double, double)[] at =
        [
            (track, trackU),
            (height.Mean, height.Sd),
            (cgRise.Mean, cgRise.Sd),
        ];

        Result Worked(Unit unit, Func<double[], double> of)
        {
            var factor = unit == Unit.Degree ? 180 / Math.PI : 1;
            return Result.Of(
                of([track, height.Mean, cgRise.Mean]) * factor,
                unit,
                FirstOrder.U(x => of(x), at, []) * factor,
                [],
                known
            );
        }

        MechanismWay Way(
            WayKind kind,
            string said,
            double share,
            IReadOnlyList<LabelledResult> more
        ) =>
            new()
            {
                Kind = kind,
                Said = said,
                Figure = Worked(Unit.Degree, x => SideSlope.Rad(x[0], x[1] + (share * x[2]))),
                Also =
                [
                    new(
                        "Its centre of gravity stands at",
                        Worked(Unit.Mm, x => x[1] + (share * x[2]))
                    ),
                    .. more,
                ],
            };

        var sooner = Worked(
            Unit.Degree,
            x => SideSlope.Rad(x[0], x[1]) - SideSlope.Rad(x[0], x[1] + x[2])
        );
        var lifts = Math.Abs(cgRise.Mean) > 0.5;
        MechanismWay[] ways =
        [
            Way(WayKind.Before, "As it was", 0, []),
            .. lifts
                ? (MechanismWay[])
                    [
                        Way(
                            WayKind.Lifted,
                            "Lifted",
                            1,
                            [
                                new("It rises by", Result.Of(cgRise.Mean, Unit.Mm, cgRise.Sd, [])),
                                new("It tips sooner by", sooner),
                            ]
                        ),
                    ]
                : [],
        ];
        var about = known == Known.Archetype ? "about " : "";
        var then = Degrees(ways[^1].Figure.Have().Mean);
        return new Mechanism
        {
            Kind = MechanismKind.SideSlope,
            Where = "vehicle",
            FigureLabel = "Springs and tyres held rigid, it tips on a side slope of",
            Says = !lifts
                ? $"Nothing lifts it: it tips where it tipped, at {about}{then} with springs and tyres held rigid."
                : $"It tips at {about}{then} to its side, {Degrees(Math.Abs(sooner.Have().Mean))} {(sooner.Value > 0 ? "sooner" : "later")} than it did.",
            Ways = ways,
            Checks =
            [
                "Springs and tyres give: on the slope it tips some degrees sooner than that, and sooner still in a bend, over a stone or with a swinging load.",
                "What lies on the roof stands higher than all that is counted here. A wider track by other wheels takes some of it back, and is not counted either.",
                .. d.CgHeight is null
                    ? (string[])
                        [
                            "Its centre of gravity is an invented one of its sort: enter the height if you know it (Take in, its sizes).",
                        ]
                    : [],
            ],
        };
    }

    private static string Degrees(double degrees) => FormattableString.Invariant($"{degrees:0.0}°");
}
