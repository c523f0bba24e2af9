using MathNet.Numerics.Distributions;
using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Practice;

/// <summary>A vehicle that exists in numbers only, with what is wrong with it: it stands as its stages make it stand.</summary>
/// <remarks>Source: docs/computation/practice.md#heights. Body, springs, floor and lifts are those of every other vehicle.</remarks>
public sealed class PracticeVehicle
{
    /// <summary>How much higher it stands while nobody settled it, mm: a rule of thumb.</summary>
    public const double UnsettledMm = 6;

    /// <summary>What is left of that after each end was bounced, mm.</summary>
    public const double BouncedMm = 2;

    /// <summary>How much higher an axle stands of which the learner made rubber final hanging, mm.</summary>
    public const double HangingMm = 5;

    /// <summary>How finely a person reads a tape that is held right, mm (standard deviation).</summary>
    private const double HandMm = 0.3;

    private readonly JobDocument _job;
    private readonly HiddenTruth _truth;
    private readonly IReadOnlyList<PracticeAct> _acts;
    private readonly Dictionary<Guid, double[]> _lifts = [];

    /// <summary>The vehicle of an exercise.</summary>
    /// <param name="job">Its job as the learner has worked on it.</param>
    /// <param name="truth">What is true of it.</param>
    /// <param name="acts">Where the learner looked, and what was put right.</param>
    public PracticeVehicle(JobDocument job, HiddenTruth truth, IReadOnlyList<PracticeAct> acts) =>
        (_job, _truth, _acts) = (job, truth, acts);

    /// <summary>Faults that are on it at an instant, at a stage.</summary>
    /// <param name="stage">The stage.</param>
    /// <param name="at">The instant.</param>
    public IEnumerable<HiddenFault> FaultsAt(Stage stage, DateTimeOffset at) =>
        _truth.Faults.Where(f =>
            !IsMended(f, at) && (LookRule.CauseOf(f.Of) is null || stage.Ordinal > 0)
        );

    /// <summary>Whether a fault was put right by then.</summary>
    /// <param name="fault">The fault.</param>
    /// <param name="at">The instant.</param>
    public bool IsMended(HiddenFault fault, DateTimeOffset at) =>
        _acts.Any(a => a.Mends && a.At == LookRule.For(fault.Of).At && a.Instant <= at);

    /// <summary>True height of a station, mm; null from a datum that the practice bay has not, or of a station that the vehicle has not.</summary>
    /// <param name="stageId">The stage.</param>
    /// <param name="name">The station.</param>
    /// <param name="from">The datum: hub, floor or rim.</param>
    /// <param name="settled">How it came to rest.</param>
    /// <param name="at">The instant: what was put right by then is right.</param>
    public double? TrueMm(Guid stageId, string name, Datum from, Settled settled, DateTimeOffset at)
    {
        if (
            from is not (Datum.Hub or Datum.Floor or Datum.Rim)
            || _job.Stages.FirstOrDefault(s => s.Id == stageId) is not { } stage
            || _job.Vehicle.Stations.FirstOrDefault(s => s.Name == name) is not { } station
            || VehicleBody.Of(_job.VehicleAt(stage)).Body is not { } body
        )
        {
            return null;
        }
        var (springs, plane) = body.Response(station);
        var rises = Rises(stage, at);
        var mm = Healthy(station);
        for (var i = 0; i < 4; i++)
        {
            mm += springs[i] * rises[i];
            mm += plane[i] * rises[FreeRises.Pucks + i];
            mm += from == Datum.Floor ? plane[i] * rises[FreeRises.Tyres + i] : 0;
        }
        foreach (var low in FaultsAt(stage, at))
        {
            mm += Ground(low, station, from, body.Vehicle);
        }
        return mm
            + (
                settled switch
                {
                    Settled.No => UnsettledMm,
                    Settled.Bounced => BouncedMm,
                    _ => 0,
                }
            )
            + (
                from switch
                {
                    Datum.Floor => _truth.RadiusMm,
                    Datum.Rim => RimMm(),
                    _ => 0,
                }
            );
    }

    /// <summary>The tape as it hangs at a station, for an eye to read.</summary>
    /// <param name="round">The walk-round.</param>
    /// <param name="station">The station.</param>
    /// <param name="from">The datum.</param>
    /// <param name="eye">Where the eye is, in steps above the mark; null is where it happens to be.</param>
    /// <param name="hooked">Whether the hook was set anew.</param>
    /// <param name="at">The instant.</param>
    /// <returns>The drawing; null where <see cref="TrueMm"/> is.</returns>
    public TapeView? Tape(
        WalkRound round,
        string station,
        Datum from,
        int? eye,
        bool hooked,
        DateTimeOffset at
    )
    {
        if (TrueMm(round.StageId, station, from, round.Settled, at) is not { } mm)
        {
            return null;
        }
        var reads = _job.Readings.Count(r =>
            r.WalkRoundId == round.Id && r.Place.Name == station && (r.From ?? round.Datum) == from
        );
        var ordinal = _job.WalkRounds.Count(w => w.At < round.At);
        // Stryker disable all : any mixing that is the same each time is as good
        var chance = new Random(
            unchecked(
                (_truth.Seed * 977)
                + (ordinal * 131)
                + (reads * 17)
                + ((int)from * 5)
                + station.Sum(c => c)
            )
        );
        // Stryker restore all
        var flaw = FlawAt(station, reads);
        return DrawnTape.Of(
            mm + Normal.Sample(chance, 0, HandMm),
            round.Division,
            from,
            hooked ? 0 : flaw?.HookMm ?? 0,
            eye ?? flaw?.Eye ?? 0
        );
    }

    /// <summary>How the tape is held wrong when it is first laid on; a second read begins right.</summary>
    internal TapeFlaw? FlawAt(string station, int reads) =>
        reads == 0 ? _truth.Flaws.FirstOrDefault(f => f.Station == station) : null;

    /// <summary>Free rises of springs, mounts and tyres by stacks and faults, mm, in the order of <see cref="FreeRises"/>.</summary>
    private double[] Rises(Stage stage, DateTimeOffset at)
    {
        var faults = FaultsAt(stage, at).ToArray();
        double[] rises = [.. LiftTo(stage)];
        if (faults.FirstOrDefault(f => f.Of == Fault.SidesSwapped) is { } swapped)
        {
            var first = swapped.Where == Axle.Front.Said() ? 0 : 2;
            (rises[first], rises[first + 1]) = (rises[first + 1], rises[first]);
        }
        foreach (var fault in faults)
        {
            foreach (var i in Enumerable.Range(0, 4).Where(i => Touches(fault.Where, i)))
            {
                rises[i] += fault.Of switch
                {
                    Fault.TiredSpring or Fault.LoadLeftIn => -fault.Mm,
                    Fault.NotSeated or Fault.TightenedHanging => fault.Mm,
                    _ => 0,
                };
                rises[FreeRises.Pucks + i] -= fault.Of == Fault.MountCrushed ? fault.Mm : 0;
            }
        }
        if (_job.BegunPlan() is { } plan && plan.ToStageId == stage.Id)
        {
            foreach (var axle in Progress.StillOpen(_job, plan).Hanging)
            {
                var first = axle == Axle.Front ? 0 : 2;
                rises[first] += HangingMm;
                rises[first + 1] += HangingMm;
            }
        }
        return rises;
    }

    private static bool Touches(string where, int i) =>
        where switch
        {
            "front" => i < 2,
            "rear" => i >= 2,
            "left" => i % 2 == 0,
            "right" => i % 2 == 1,
            _ => Corners.All[i].Name() == where,
        };

    /// <summary>What the parts of all stages up to one do: what is foretold, times this vehicle's own share.</summary>
    private double[] LiftTo(Stage stage)
    {
        if (_lifts.TryGetValue(stage.Id, out var known))
        {
            return known;
        }
        var sum = new double[FreeRises.Count];
        var before = _job
            .Stages.Where(s => s.Ordinal >= 0 && s.Ordinal < stage.Ordinal)
            .MaxBy(s => s.Ordinal);
        if (before is not null)
        {
            LiftTo(before).CopyTo(sum, 0);
            var plan = new Plan
            {
                Id = stage.Id,
                Name = stage.Name,
                FromStageId = before.Id,
                Stacks = stage.Stacks,
            };
            // What the learner read changes nothing of what is true.
            var situation = JobEvaluator.SituationAt(
                _job with
                {
                    WalkRounds = [],
                    Readings = [],
                },
                before,
                PlatformEvidence.None
            );
            var rises = FreeRise
                .Of(plan, before, situation.Vehicle, Predictor.Axles(situation))
                .Rises;
            for (var i = 0; i < FreeRises.Count; i++)
            {
                sum[i] +=
                    (i % 4 < 2 ? _truth.FrontShare : _truth.RearShare) * (rises?.MeanMm[i] ?? 0);
            }
        }
        return _lifts[stage.Id] = sum;
    }

    /// <summary>What a low floor or tyre does to a reading, mm.</summary>
    private static double Ground(HiddenFault low, Station station, Datum from, Vehicle vehicle)
    {
        if (
            low.Of is not (Fault.FloorOff or Fault.SoftTyre)
            || FloorSurvey.Of(
                [
                    .. Corners.All.Select(c => new WheelPad
                    {
                        Wheel = c,
                        Height = Quantity.Mm(c.Name() == low.Where ? -low.Mm : 0, Known.Measured),
                    }),
                ],
                vehicle
            )
                is not { } floor
        )
        {
            return 0;
        }
        // A pad goes down with the floor from which is read; under a soft tyre the floor stays.
        return low.Of == Fault.SoftTyre && from == Datum.Floor
            ? floor.BodyMm(station)
            : -floor.CorrectionMm(station, from);
    }

    private double Healthy(Station station)
    {
        if (_truth.Healthy.TryGetValue(station.Name, out var mm))
        {
            return mm;
        }
        // Places that the learner added lie on the body's plane, sills and bumpers below the lips.
        var (front, rear) = (Mean("LF", "RF"), Mean("LR", "RR"));
        var wheelbase = _job.Vehicle.Dimensions.Wheelbase?.In(Unit.Mm) ?? 3300;
        return front
            - (station.X.In(Unit.Mm) / wheelbase * (rear - front))
            - (station.Name.StartsWith("sill", StringComparison.Ordinal) ? 400 : 180);

        double Mean(string a, string b) => (_truth.Healthy[a] + _truth.Healthy[b]) / 2;
    }

    private double RimMm() =>
        Datums
            .Estimate(
                TyreSize.Parse(_job.Vehicle.TyreSize)
                    ?? TyreSize.Parse(VehicleDefaults.TyreSize(_job.Vehicle.Kind))!
            )
            .RimRadiusMm;
}
