using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Proof;

/// <content>What a proof and its stored prediction say of a miss.</content>
public sealed partial record Causes
{
    /// <summary>The causes of a proof's miss; null where there is nothing to explain yet.</summary>
    /// <param name="proof">The proof.</param>
    /// <param name="frozen">The stored prediction.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="from">The stage before.</param>
    /// <param name="vehicle">The vehicle as the plan put it together.</param>
    /// <param name="settled">How it came to rest before it was read.</param>
    /// <param name="hanging">Axles of which rubber was made final hanging, or left open.</param>
    public static Causes? Of(
        PlanProof proof,
        Prediction frozen,
        Plan plan,
        Stage from,
        Vehicle vehicle,
        Settled settled,
        IReadOnlyList<Axle> hanging
    )
    {
        if (
            // A prediction that was as unsure as the miss is great was not wrong; why it sits off its plan is asked all the same.
            !proof.Decides
            || (
                proof.AsForetold != Verdict.NotReached
                && proof.Stations.All(s => s.Near != false || Corners.Named(s.Station) is null)
            )
            || frozen.Datum is null or Datum.Frame or Datum.Own
            || VehicleBody.Of(vehicle).Body is not { } body
        )
        {
            return null;
        }
        (Corner Corner, double Mm, double Variance)[] lips =
        [
            .. from station in proof.Stations
            let corner = Corners.Named(station.Station)
            where corner is not null && station.Difference.Value is not null
            let shared = Shared(frozen, Corners.AxleOf(corner.Value))
            let u = station.Difference.U ?? 0
            // What both lips share is the lift line's; each keeps at least what its readings can be wrong by.
            let least = Square(station.Now.U) + Square(station.Before.U)
            select (
                corner.Value,
                station.Difference.Value!.Value,
                Math.Max(Math.Max(least, 0.01), (u * u) - shared)
            ),
        ];
        if (lips.Length == 0)
        {
            return null;
        }
        var changes = Corners.All.ToDictionary(
            c => c,
            c => CornerStack.Change(c, from.Stacks, plan.Stacks)
        );
        Axle[] changed =
        [
            .. Corners.Axles.Where(a =>
                plan.Of(a) is not null
                || Corners
                    .Of(a)
                    .Any(c =>
                        changes[c]
                            .Gone.Concat(changes[c].Come)
                            .Any(p => PartRule.Of(p.Kind).MayLift)
                    )
            ),
        ];
        return Of(
            new Miss
            {
                Lips = lips,
                Springs = c => Response(c).Springs,
                Plane = c => Response(c).Plane,
                LiftLineMm = a => Math.Sqrt(Shared(frozen, a)),
                Changed = changed,
                NewSprings =
                [
                    .. changed.Where(a =>
                        plan.Of(a) is not null
                        || Corners
                            .Of(a)
                            .Any(c =>
                                changes[c]
                                    .Come.Any(p =>
                                        p.Kind
                                            is PartKind.Coil
                                                or PartKind.LeafPack
                                                or PartKind.CoilOver
                                                or PartKind.AirSpring
                                    )
                            )
                    ),
                ],
                Hanging = hanging,
                Settled = settled is Settled.Rolled or Settled.Driven,
                LeftOver = a => (Rise(Corners.Of(a)[0]) ?? 0) - (Rise(Corners.Of(a)[1]) ?? 0),
                FromFloor = frozen.Datum == Datum.Floor,
                OnMounts = vehicle.BodyKind != BodyKind.Unibody,
            }
        );

        (double[] Springs, double[] Plane) Response(Corner corner) =>
            body.Response(vehicle.Stations.First(s => s.Name == corner.Name()));
        double? Rise(Corner corner) =>
            frozen.Stations.FirstOrDefault(s => s.Station == corner.Name())?.Rise.Value;
        static double Square(double? u) => (u ?? 0) * (u ?? 0);
    }

    /// <summary>Covariance of what both lips of an axle were foretold to rise, mm²: Var(mean) = (v₁ + v₂ + 2c) / 4.</summary>
    private static double Shared(Prediction frozen, Axle axle)
    {
        var mean = (axle == Axle.Front ? frozen.FrontRise : frozen.RearRise).U ?? 0;
        double[] own =
        [
            .. Corners
                .Of(axle)
                .Select(c =>
                    frozen.Stations.FirstOrDefault(s => s.Station == c.Name())?.Rise.U ?? mean
                )
                .Select(u => u * u),
        ];
        return Math.Max(0, (2 * mean * mean) - (own.Sum() / 2));
    }
}
