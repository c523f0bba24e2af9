using System.Globalization;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>A load as the axles feel it.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Kg">Its mass with its ±; below zero is taken off.</param>
/// <param name="BehindMm">How far behind the front axle it stands, mm.</param>
/// <param name="Stays">Whether it comes with this job and stays.</param>
public sealed record CarriedLoad(string Name, Estimate Kg, double BehindMm, bool Stays);

/// <summary>What the axles carry with the stated loads, against what their plates allow.</summary>
/// <remarks>Source: docs/computation/geometry.md#axle-loads.</remarks>
internal static class AxleLoadsMechanism
{
    /// <summary>Share of a weight that is its standard uncertainty where it was weighed or a paper tells it: a rule of thumb.</summary>
    public const double WeighedShare = 0.01;

    /// <summary>The same where somebody said it.</summary>
    private const double SaidShare = 0.1;

    /// <summary>A weight with its ±.</summary>
    public static Estimate Weighed(Quantity q) =>
        new(
            q.In(Unit.Kg),
            q.UIn(
                Unit.Kg,
                Math.Abs(q.In(Unit.Kg))
                    * (q.Known is Known.Measured or Known.Document ? WeighedShare : SaidShare)
            )
        );

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
        CarriedLoad[] stay = [.. loads.Where(l => l.Stays)];
        State State(WayKind kind, string said, IReadOnlyList<CarriedLoad> on) =>
            new(kind, said, d, wheelbase.In(Unit.Mm), Weighed(front), Weighed(rear), on);
        State[] states =
        [
            State(WayKind.Before, "As it was weighed", []),
            .. stay.Length > 0
                ? (State[])[State(WayKind.Lifted, $"With what stays: {Names(stay)}", stay)]
                : [],
            .. loads.Count > stay.Length
                ? (State[])[State(WayKind.Planned, $"With all of it on: {Names(loads)}", loads)]
                : [],
        ];
        // A load behind the rear axle takes weight off the front: any of them may be the worst.
        var worst = states.Reverse().MinBy(s => s.Least?.Kg ?? double.PositiveInfinity)!;
        var tips = states.FirstOrDefault(s => s.Lifts is not null);
        return new Mechanism
        {
            Kind = MechanismKind.AxleLoads,
            Where = "vehicle",
            FigureLabel = "Left of the rating, on the axle that has least",
            Says =
                tips is not null ? tips.Says
                : worst.Least is null ? states[^1].Says
                : worst.Says,
            Ways = [.. states.Select(s => s.Way(invented))],
            Judged = invented ? null : tips is not null || worst.Least is { Kg: < 0 },
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

        static string Names(IEnumerable<CarriedLoad> of) =>
            string.Join(", ", of.Select(l => l.Name));
    }

    /// <summary>What the axles carry with some of the loads on.</summary>
    private sealed record State(
        WayKind Kind,
        string Said,
        VehicleDimensions Sizes,
        double WheelbaseMm,
        Estimate Front,
        Estimate Rear,
        IReadOnlyList<CarriedLoad> On
    )
    {
        private AxleLoads At =>
            On.Aggregate(
                new AxleLoads(Front.Mean, Rear.Mean),
                (so, l) => so.With(l.Kg.Mean, l.BehindMm, WheelbaseMm)
            );

        /// <summary>Standard uncertainties: a load is wrong by its own share, on the axles as they carry it.</summary>
        private AxleLoads U
        {
            get
            {
                var (f, r) = (Front.Sd * Front.Sd, Rear.Sd * Rear.Sd);
                foreach (var l in On)
                {
                    var u = default(AxleLoads).With(l.Kg.Sd, l.BehindMm, WheelbaseMm);
                    (f, r) = (f + (u.FrontKg * u.FrontKg), r + (u.RearKg * u.RearKg));
                }
                return new(Math.Sqrt(f), Math.Sqrt(r));
            }
        }

        /// <summary>What is left of the rating on the axle that has least; null where no plate was entered.</summary>
        public (string Axle, double Kg, double U)? Least =>
            new[]
            {
                (Axle: "front", Rating: Sizes.FrontAxleRating, Kg: At.FrontKg, U: U.FrontKg),
                (Axle: "rear", Rating: Sizes.RearAxleRating, Kg: At.RearKg, U: U.RearKg),
            }
                .Where(a => a.Rating is not null)
                .Select(a => ((string, double, double)?)(a.Axle, a.Rating!.In(Unit.Kg) - a.Kg, a.U))
                .MinBy(a => a!.Value.Item2);

        /// <summary>The axle that the loads lift off the ground; null where none.</summary>
        public string? Lifts =>
            At.FrontKg <= 0 ? "front"
            : At.RearKg <= 0 ? "rear"
            : null;

        /// <summary>In one sentence.</summary>
        public string Says
        {
            get
            {
                if (Lifts is { } off)
                {
                    return $"The loads lift the {off} axle off the ground: check where they sit.";
                }
                var carries =
                    $"{(On.Count > 0 ? "With its loads the" : "The")} front axle carries {Both(At.FrontKg)}, the rear {Both(At.RearKg)}";
                return Least is not { } least
                        ? $"{carries}; what their plates allow was not entered."
                    : least.Kg < 0
                        ? $"{carries}: {Both(-least.Kg)} too much for the {least.Axle} axle."
                    : $"{carries}: {Both(least.Kg)} are left on the {least.Axle} axle.";
            }
        }

        public MechanismWay Way(bool invented)
        {
            Result Told(double kg, double u) =>
                Result.Of(kg, Unit.Kg, u, [], invented ? Known.Archetype : Known.Computed);
            var heed = invented ? Heed.Look : Heed.Stop;
            return new MechanismWay
            {
                Kind = Kind,
                Said = Said,
                Figure = Least is { } least
                    ? Told(least.Kg, least.U)
                    : Result.No(
                        Unit.Kg,
                        "Enter what the plates allow for each axle (Take in, its sizes)."
                    ),
                Also =
                [
                    new("On the front axle", Told(At.FrontKg, U.FrontKg)),
                    new("On the rear axle", Told(At.RearKg, U.RearKg)),
                ],
                Care =
                    Lifts is not null ? new Caution(heed, Says)
                    : Least is { Kg: < 0 } over
                        ? new Caution(
                            heed,
                            $"The {over.Axle} axle carries {Both(-over.Kg)} more than its plate allows: it is not driven like that, and no spring or spacer changes what the plate allows."
                        )
                    : null,
            };
        }
    }

    /// <summary>A mass in kilograms and pounds.</summary>
    private static string Both(double kg) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"{kg:#,0} kg ({Unit.Kg.To(Unit.Lb, kg):#,0} lb)"
        );
}
