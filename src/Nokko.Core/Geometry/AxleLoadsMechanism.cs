using System.Globalization;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>A load as the axles feel it.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Kg">Its mass; below zero is taken off.</param>
/// <param name="BehindMm">How far behind the front axle it stands, mm.</param>
/// <param name="Stays">Whether it comes with this job and stays.</param>
public sealed record CarriedLoad(string Name, double Kg, double BehindMm, bool Stays);

/// <summary>What the axles carry with the stated loads, against what their plates allow.</summary>
/// <remarks>Source: docs/computation/geometry.md#axle-loads.</remarks>
internal static class AxleLoadsMechanism
{
    /// <summary>Share of a weight without an uncertainty of its own that is its standard uncertainty: a rule of thumb.</summary>
    private const double WeighedShare = 0.01;

    /// <summary>The mechanism; null where neither a load nor a rating was stated, or a size is missing.</summary>
    /// <param name="d">The vehicle's sizes.</param>
    /// <param name="loads">Loads that were stated.</param>
    public static Mechanism? Of(VehicleDimensions d, IReadOnlyList<CarriedLoad> loads)
    {
        if (
            d is not { Wheelbase: { } wheelbase, FrontAxleMass: { } front, RearAxleMass: { } rear }
            || (loads.Count == 0 && d.FrontAxleRating is null && d.RearAxleRating is null)
        )
        {
            return null;
        }
        var invented = front.Known == Known.Estimated || rear.Known == Known.Estimated;
        var known = invented ? Known.Archetype : Known.Computed;
        (double Kg, double U) Weighed(Quantity q) =>
            (q.In(Unit.Kg), q.UIn(Unit.Kg, WeighedShare * q.In(Unit.Kg)));
        var weighed = new AxleLoads(Weighed(front).Kg, Weighed(rear).Kg);
        AxleLoads With(Func<CarriedLoad, bool> which) =>
            loads
                .Where(which)
                .Aggregate(weighed, (so, l) => so.With(l.Kg, l.BehindMm, wheelbase.In(Unit.Mm)));
        Result Told(double kg, double u) => Result.Of(kg, Unit.Kg, u, [], known);

        // What is left of each rating, the least first.
        (string Axle, double Left, double U)[] LeftAt(AxleLoads at) =>
            [
                .. new[]
                {
                    (Axle: "front", Rating: d.FrontAxleRating, Kg: at.FrontKg, Weighed(front).U),
                    (Axle: "rear", Rating: d.RearAxleRating, Kg: at.RearKg, Weighed(rear).U),
                }
                    .Where(a => a.Rating is not null)
                    .Select(a => (a.Axle, a.Rating!.In(Unit.Kg) - a.Kg, a.U))
                    .OrderBy(a => a.Item2),
            ];

        MechanismWay Way(WayKind kind, string said, AxleLoads at)
        {
            var left = LeftAt(at);
            return new MechanismWay
            {
                Kind = kind,
                Said = said,
                Figure =
                    left.Length > 0
                        ? Told(left[0].Left, left[0].U)
                        : Result.No(
                            Unit.Kg,
                            "Enter what the plates allow for each axle (Take in, its sizes)."
                        ),
                Also =
                [
                    new("On the front axle", Told(at.FrontKg, Weighed(front).U)),
                    new("On the rear axle", Told(at.RearKg, Weighed(rear).U)),
                ],
                Care =
                    left.Length > 0 && left[0].Left < 0
                        ? new Caution(
                            invented ? Heed.Look : Heed.Stop,
                            $"The {left[0].Axle} axle carries {Both(-left[0].Left)} more than its plate allows: it is not driven like that, and no spring or spacer changes what the plate allows."
                        )
                        : null,
            };
        }

        string Names(Func<CarriedLoad, bool> which) =>
            string.Join(", ", loads.Where(which).Select(l => l.Name));
        MechanismWay[] ways =
        [
            Way(WayKind.Before, "As it was weighed", weighed),
            .. loads.Any(l => l.Stays)
                ? (MechanismWay[])
                    [
                        Way(
                            WayKind.Lifted,
                            $"With what stays: {Names(l => l.Stays)}",
                            With(l => l.Stays)
                        ),
                    ]
                : [],
            .. loads.Any(l => !l.Stays)
                ? (MechanismWay[])
                    [
                        Way(
                            WayKind.Planned,
                            $"With all of it on: {Names(_ => true)}",
                            With(_ => true)
                        ),
                    ]
                : [],
        ];
        var (stands, at) = (ways[^1], With(_ => true));
        var carries =
            $"{(loads.Count > 0 ? "With its loads the" : "The")} front axle carries {Both(at.FrontKg)}, the rear {Both(at.RearKg)}";
        return new Mechanism
        {
            Kind = MechanismKind.AxleLoads,
            Where = "vehicle",
            FigureLabel = "Left of the rating, on the axle that has least",
            Says =
                LeftAt(at) is not [var least, ..]
                    ? $"{carries}; what their plates allow was not entered."
                : least.Left < 0
                    ? $"{carries}: {Both(-least.Left)} too much for the {least.Axle} axle."
                : $"{carries}: {Both(least.Left)} are left on the {least.Axle} axle.",
            Ways = ways,
            Judged = stands.Figure.Value is { } over && !invented ? over < 0 : null,
            Checks =
            [
                "Weigh it axle by axle, loaded as it is driven: the weighbridge closes it.",
                "Lifting by the same at both ends moves nothing from axle to axle; a rake moves some kilograms, which are not counted.",
                .. invented
                    ? (string[])
                        ["Its weights are a rule of thumb for its sort: enter what was weighed."]
                    : [],
            ],
        };
    }

    /// <summary>A mass in kilograms and pounds.</summary>
    private static string Both(double kg) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"{kg:#,0} kg ({Unit.Kg.To(Unit.Lb, kg):#,0} lb)"
        );
}
