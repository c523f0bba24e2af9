using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Proof;

/// <content>What a proof and its stored prediction say of a miss.</content>
public sealed partial record Causes
{
    /// <summary>What is known of a miss beside its heights.</summary>
    public sealed record Beside
    {
        /// <summary>The stance on which the proof rests.</summary>
        public required WalkRoundStance Now { get; init; }

        /// <summary>The stance from which it was foretold; null where that is gone.</summary>
        public WalkRoundStance? Before { get; init; }

        /// <summary>How it came to rest before it was read.</summary>
        public required Settled Settled { get; init; }

        /// <summary>Axles of which rubber was made final hanging, or left open.</summary>
        public required IReadOnlyList<Axle> Hanging { get; init; }

        /// <summary>How far it was driven since the work, km; 0 where nobody noted it.</summary>
        public double DrivenKm { get; init; }

        /// <summary>Whether load, fuel or people were others before than now; null where a round does not note load and fuel.</summary>
        public bool? CargoDiffers { get; init; }

        /// <summary>What the plan was foretold to move beside the heights, and moved.</summary>
        public IReadOnlyList<MovedProof> Moved { get; init; } = [];

        /// <summary>What was checked of this plan, in order.</summary>
        public IReadOnlyList<CheckedCause> Checked { get; init; } = [];

        /// <summary>How often the shop found each kind by its check.</summary>
        public required IReadOnlyDictionary<CauseKind, int> Confirmed { get; init; }
    }

    /// <summary>The causes of a proof's miss; null where there is nothing to explain yet.</summary>
    /// <param name="proof">The proof.</param>
    /// <param name="frozen">The stored prediction.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="from">The stage before.</param>
    /// <param name="vehicle">The vehicle as the plan put it together.</param>
    /// <param name="known">What is known beside its heights.</param>
    public static Causes? Of(
        PlanProof proof,
        Prediction frozen,
        Plan plan,
        Stage from,
        Vehicle vehicle,
        Beside known
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
                station.Difference.Have().Mean,
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
        Axle[] changed = [.. Corners.Axles.Where(a => plan.MayLift(a, from))];
        // What the springs were to do: the lips do about half of a difference between two sides, and share it with the other end.
        var freely = FreeRise
            .Of(plan, from, vehicle, Predictor.Axles(new Situation(from, vehicle, null), plan))
            .Rises?.SpringsMm();
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
                            .Any(c => changes[c].Come.Any(p => PartRule.Of(p.Kind).IsSpring))
                    ),
                ],
                Hanging = known.Hanging,
                Settled = known.Settled is Settled.Rolled or Settled.Driven,
                DrivenKm = known.DrivenKm,
                Spares = [.. Spares(proof, frozen.Datum == Datum.Floor)],
                Turned = [.. Turns()],
                TwiceNow = Twice(known.Now, frozen.Datum.Value),
                TwiceBefore = known.Before is { } was ? Twice(was, frozen.Datum.Value) : [],
                CargoDiffers = known.CargoDiffers,
                Checked =
                [
                    .. known.Checked.Select(c => new Outcome(
                        c.Kind,
                        c.Where,
                        c.WasIt,
                        c.WalkRoundId == proof.WalkRoundId
                    )),
                ],
                Confirmed = known.Confirmed,
                PassHours =
                    AgainHours + changes.Values.SelectMany(c => c.Come).Sum(p => p.WorkHours()),
                LeftOver = a =>
                    freely is null ? 0
                    : a == Axle.Front ? freely[0] - freely[1]
                    : freely[2] - freely[3],
                FromFloor = frozen.Datum == Datum.Floor,
                OnMounts = vehicle.BodyKind != BodyKind.Unibody,
            }
        );

        // Tyres that were changed and pucks that came have moved these by what nobody measured here.
        IEnumerable<Spare> Spares(PlanProof of, bool fromFloor) =>
            from motion in of.Comparison?.Corners ?? []
            let parts = changes[motion.Corner].Gone.Concat(changes[motion.Corner].Come).ToArray()
            from spare in new (SpareKind Kind, Result? Rise, bool Moved)[]
            {
                (
                    SpareKind.Tyre,
                    fromFloor ? Hub(motion.Corner) : null,
                    parts.Any(p => p.Kind == PartKind.Tyre)
                ),
                (
                    SpareKind.Mounts,
                    motion.Mounts,
                    parts.Any(p => PartRule.Of(p.Kind).Family == LiftFamily.Puck)
                ),
            }
            where
                spare.Rise is { Value: not null, U: not null, Known: Known.Measured }
                && !spare.Moved
            select new Spare(
                spare.Kind,
                motion.Corner,
                spare.Rise.Have().Mean,
                Math.Max(0.01, Square(spare.Rise.U))
            );
        // A mechanism that a part sets, or that stands by a rule of thumb, says nothing of the height; the shaft's joint holds the pinion once more.
        IEnumerable<Turned> Turns() =>
            from moved in known.Moved
            let more = frozen
                .Moves?.FirstOrDefault(m => m.Kind == moved.Kind && m.Where == moved.Where)
                ?.More
            where
                more is not null
                && moved.AsForetold is not null
                && !(
                    moved.Kind == MechanismKind.Propshaft
                    && known.Moved.Any(m =>
                        m.Kind == MechanismKind.Pinion
                        && m.Where == moved.Where
                        && m.Measured.Value is not null
                    )
                )
                && !CureParts
                    .Of(moved.Kind)
                    .SelectMany(k => k)
                    .Any(k =>
                        changes.Any(c =>
                            Corners.AxleOf(c.Key).Said() == moved.Where
                            && c.Value.Gone.Concat(c.Value.Come).Any(p => p.Kind == k)
                        )
                    )
            let line = (Square(more.Front) * Shared(frozen, Axle.Front))
                + (Square(more.Rear) * Shared(frozen, Axle.Rear))
            let joints = moved.Foretold.Unit == Unit.Degree ? JointsDegrees : JointsMm
            select new Turned(
                moved.Measured.Have().Mean - moved.Foretold.Have().Mean,
                Square(moved.Measured.U)
                    + Math.Max(0, Square(moved.Foretold.U) - line)
                    + Square(joints),
                more
            );
        // Hubs that were read by themselves: what lips from floor and hub leave shares the lips' errors.
        Result? Hub(Corner corner) =>
            known.Before?.Wheels.FirstOrDefault(w => w.Wheel == corner)?.LoadedRadius
                is { Known: Known.Measured, Value: { } was, U: { } wasU }
            && known.Now.Wheels.FirstOrDefault(w => w.Wheel == corner)?.LoadedRadius
                is { Known: Known.Measured, Value: { } now, U: { } nowU }
                ? Result.Of(
                    now - was,
                    Unit.Mm,
                    Math.Sqrt(Square(wasU) + Square(nowU)),
                    [],
                    Known.Measured
                )
                : null;
        (double[] Springs, double[] Plane) Response(Corner corner) =>
            body.Response(vehicle.Stations.First(s => s.Name == corner.Name()));
        static double Square(double? u) => (u ?? 0) * (u ?? 0);
    }

    /// <summary>What bushes and joints let an angle stand otherwise, °: a rule of thumb.</summary>
    private const double JointsDegrees = 0.2;

    /// <summary>What they let an axle stand aside, mm: a rule of thumb.</summary>
    private const double JointsMm = 1;

    /// <summary>Hours to settle it and walk round again: a rule of thumb.</summary>
    public const double AgainHours = 1.5;

    /// <summary>Lips that were read at least twice from a datum, with nothing to be looked at again.</summary>
    private static Corner[] Twice(WalkRoundStance stance, Datum datum) =>
        [
            .. Corners.All.Where(c =>
                stance.Stations.Any(s =>
                    s.Station == c.Name() && s.Datum == datum && s.Reads >= 2 && s.Flags.Count == 0
                )
            ),
        ];

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
