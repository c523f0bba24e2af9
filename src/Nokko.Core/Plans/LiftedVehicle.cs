using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Geometry;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>What a plan lifts: frame over the axles, outlook of the corners and centre of gravity against nothing added, body over the floor against today.</summary>
/// <param name="Frame">Rise of the frame over both axles' middles.</param>
/// <param name="BodyOverFloor">Rise of the body over the floor at both axles' middles.</param>
/// <param name="Corners">Outlook of the corners.</param>
/// <param name="CgRise">Rise of the centre of gravity over the floor.</param>
/// <param name="Diagonals">What the plan moves across the wheels' diagonals; null where nobody weighed them.</param>
internal sealed record LiftedVehicle(
    AxleRises Frame,
    AxleRises BodyOverFloor,
    IReadOnlyList<CornerOutlook> Corners,
    Estimate CgRise,
    OnScales? Diagonals
)
{
    /// <summary>How much of the mass on the springs sits on the body's mounts and rises with them: a rule of thumb.</summary>
    private static readonly Estimate OnMounts = new(0.4, 0.1);

    /// <summary>What a plan lifts, whether anything was measured or not; or the reason why it cannot be told.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="situation">The vehicle as it stands.</param>
    public static (LiftedVehicle? Lifted, string? Why) Of(Plan plan, Situation situation)
    {
        situation = situation.Converted(plan);
        var (from, vehicle, _) = situation;
        var axles = Predictor.Axles(situation, plan);
        var (on, missing) = VehicleBody.Of(vehicle);
        if (on is null)
        {
            return (null, missing);
        }
        var (heights, unknown) = NewHeights.Of(plan, situation.Baseline, axles);
        if (heights is null)
        {
            return (null, unknown);
        }
        var (rises, why) = FreeRise.Of(plan, from, vehicle, axles, heights);
        var (added, without) = FreeRise.Of(
            plan,
            @from with
            {
                Stacks = [],
            },
            vehicle,
            axles,
            [.. heights.Select(h => h.OverSetUp())]
        );
        return rises is null || added is null
            ? (null, why ?? without)
            : (
                new LiftedVehicle(
                    OverAxles(on, added),
                    new PredictedBody(
                        on,
                        rises,
                        [.. situation.Loads.Where(l => l.Stays)]
                    ).OverFloor(),
                    Predictor.CornersOf(plan, from, on, axles, heights),
                    OfGravity(on, added),
                    OnScales(on, rises, situation)
                ),
                null
            );
    }

    private static OnScales? OnScales(VehicleBody body, FreeRises rises, Situation s) =>
        Plans.Diagonals.Of(body.Vehicle, s.Weighed, s.Loads).Of is { } diagonals
            ? new OnScales(
                s.Weighed!,
                diagonals.Weighed,
                diagonals.OfLoads,
                diagonals.MovedBy(rises, body.LoadShare),
                diagonals.PerMm,
                s.Target?.EvenDiagonals ?? false,
                s.Limits.Of(MechanismKind.CornerScales)
            )
            : null;

    /// <summary>Rise of the frame over both axles' middles, with what both share.</summary>
    private static AxleRises OverAxles(VehicleBody body, FreeRises rises)
    {
        var motion = body.Springs.Solve(rises.SpringsMm());
        var covariance = rises.Covariance.SubMatrix(0, 4, 0, 4);
        var rear = body.Supports[2].XMm;
        Vector<double> Response(double x) =>
            Vector<double>.Build.Dense(body.Springs.Response(x, 0));
        var (f, r) = (Response(0), Response(rear));
        Estimate Over(double x, Vector<double> response) =>
            new(motion.RiseAt(x, 0), Math.Sqrt(Math.Max(0, response * covariance * response)));
        return new AxleRises(Over(0, f), Over(rear, r), f * covariance * r);
    }

    /// <summary>How far the centre of gravity rises: what is on the springs with the frame, what is on the mounts with the body, and all of it with the tyres.</summary>
    /// <remarks>Source: docs/computation/geometry.md#side-slope.</remarks>
    private static Estimate OfGravity(VehicleBody body, FreeRises rises)
    {
        var d = body.Vehicle.Dimensions;
        double[] front = body.Springs.Response(0, 0);
        double[] rear = body.Springs.Response(body.Supports[2].XMm, 0);
        // By how much each free rise lifts it.
        Vector<double> Per(
            double frontKg,
            double rearKg,
            double frontLow,
            double rearLow,
            double onMounts
        )
        {
            double[] mass = [frontKg, rearKg];
            double[] sprung = [frontKg * (1 - frontLow), rearKg * (1 - rearLow)];
            return Vector<double>.Build.Dense(
                    FreeRises.Count,
                    i =>
                        i < FreeRises.Pucks ? (sprung[0] * front[i]) + (sprung[1] * rear[i])
                        : i < FreeRises.Tyres ? onMounts * sprung[(i - FreeRises.Pucks) / 2] / 2
                        : mass[(i - FreeRises.Tyres) / 2] / 2
                ) / (frontKg + rearKg);
        }

        (double Value, double U)[] sizes =
        [
            Told(d.FrontAxleMass!, Unit.Kg),
            Told(d.RearAxleMass!, Unit.Kg),
            Told(d.FrontUnsprungShare!, Unit.One),
            Told(d.RearUnsprungShare!, Unit.One),
            (OnMounts.Mean, OnMounts.Sd),
        ];
        var per = Per(
            sizes[0].Value,
            sizes[1].Value,
            sizes[2].Value,
            sizes[3].Value,
            OnMounts.Mean
        );
        return new(
            per * rises.MeanMm,
            double.Hypot(
                Math.Sqrt(Math.Max(0, per * rises.Covariance * per)),
                FirstOrder.U(x => Per(x[0], x[1], x[2], x[3], x[4]) * rises.MeanMm, sizes)
            )
        );

        static (double, double) Told(Quantity q, Unit unit) => (q.In(unit), q.UIn(unit));
    }
}
