using System.Text.Json;
using Nokko.Core.Finding;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Server.Demo;

/// <summary>Writes one made-up job as people would have, step by step.</summary>
internal sealed partial class DemoJob
{
    private static readonly string[] Lips = [Corners.LF, Corners.RF, Corners.LR, Corners.RR];
    private static readonly string[] Mids = ["LM", "RM"];
    private readonly Person _by;
    private DateTimeOffset _now;

    public JobDocument Document { get; private set; }

    public DemoJob(
        Owner owner,
        Platform platform,
        Person by,
        string make,
        string name,
        string plate,
        DateTimeOffset at,
        DemoVehicle? built = null
    )
    {
        _by = by;
        _now = Instants.ToMicroseconds(at);
        built ??= DemoVehicle.Pickup;
        var sizes = VehicleDefaults.Fill(built.Sizes, built.Kind);
        var vehicle = new Vehicle
        {
            Id = NewId(),
            OwnerId = owner.Id,
            PlatformId = platform.Id,
            Make = make,
            Name = name,
            Plate = plate,
            Engine = built.Engine,
            Drive = built.Drive,
            Kind = built.Kind,
            BodyKind = built.Body,
            Front = built.Front,
            Rear = built.Rear,
            Dimensions = sizes,
            TyreSize = built.Tyre,
            TyreKnown = Known.Document,
            Stations = VehicleDefaults.Stations(sizes, built.Kind),
        };
        Document = new JobDocument
        {
            Format = JobDocument.FormatName,
            Version = JobDocument.CurrentVersion,
            Owner = owner,
            Platform = platform,
            Vehicle = vehicle,
            People = [by],
            Job = new Job
            {
                Id = NewId(),
                VehicleId = vehicle.Id,
                Wish = built.Wish,
                Carries = built.Carries,
                Loads = built.Loads,
                Target = new Target
                {
                    Datum = Datum.Hub,
                    Rake = Mm(0, Known.Told),
                    Loaded = built.LevelLoaded,
                    Tolerance = Mm(Target.UsualToleranceMm, Known.Estimated),
                },
                PromisedOn = DateOnly.FromDateTime(_now.AddDays(5).UtcDateTime),
                OdometerIn = Miles(48_200),
                Equipment = Equipment.TwoPostLift,
                TakenInAt = _now,
            },
            Stages =
            [
                new Stage
                {
                    Id = NewId(),
                    VehicleId = vehicle.Id,
                    Ordinal = 0,
                    Name = "as found",
                    OpenedAt = _now,
                    Stacks = [],
                },
            ],
        };
        Remember("vehicle taken in");
    }

    /// <summary>A walk-round: lips from the hub, mids from the floor, in inches, read to the sixteenth.</summary>
    public void Round(Settled settled, double[] lips, double[] mids)
    {
        Later(30);
        var round = new WalkRound
        {
            Id = NewId(),
            StageId = Document.CurrentStage()!.Id,
            Datum = Datum.Hub,
            Division = new Quantity
            {
                Value = 1.0 / 16,
                Unit = "in",
                Known = Known.Told,
            },
            Settled = settled,
            FloorSurveyed = true,
            Spot = "bay 1",
            Fuel = "half",
            Load = "empty",
            PersonId = _by.Id,
            At = _now,
        };
        Document = Document with { WalkRounds = [.. Document.WalkRounds, round] };
        Remember("walk-round begun");
        foreach (var (station, inches) in Lips.Zip(lips))
        {
            Read(round, station, Datum.Hub, inches);
        }
        foreach (var (station, inches) in Mids.Zip(mids))
        {
            Read(round, station, Datum.Floor, inches);
        }
    }

    public void Plan(string name, (string Corner, Part Part)[] parts)
    {
        Later(20);
        var plan = new Plan
        {
            Id = NewId(),
            Name = name,
            FromStageId = Document.CurrentStage()!.Id,
            Stacks =
            [
                .. Corners
                    .All.Where(c => parts.Any(p => p.Corner == c))
                    .Select(c => new CornerStack
                    {
                        Corner = c,
                        Parts =
                        [
                            .. parts
                                .Where(p => p.Corner == c)
                                .Select(p => PlacedPart.Of(p.Part, NewId()))
                                .OrderBy(p => PartRule.Of(p.Kind).Order),
                        ],
                    }),
            ],
            Chosen = Document.DraftPlans().Count == 0,
        };
        Document = Document with { Plans = [.. Document.Plans, plan] };
        Remember("plan changed");
    }

    public void Begin()
    {
        Later(15);
        var plan = Document.DraftPlan()!;
        var from = Document.CurrentStage()!;
        var to = new Stage
        {
            Id = NewId(),
            VehicleId = Document.Vehicle.Id,
            Ordinal = from.Ordinal + 1,
            Name = $"after stack {from.Ordinal + 1}",
            OpenedAt = _now,
            Stacks = plan.Stacks,
        };
        var begun = plan with { ToStageId = to.Id, BegunAt = _now };
        var results = JobEvaluator.Evaluate(Document);
        var frozen = new FrozenPrediction
        {
            Id = NewId(),
            PlanId = plan.Id,
            At = _now,
            Core = JobEvaluator.CoreVersion,
            Prediction = JobEvaluator.Predict(Document, plan, results.WalkRounds, results.Trials)!,
            Target = Document.Job.Target,
            Dimensions = Document.Vehicle.Dimensions,
        };
        var known = Document.Joints.Select(j => j.Place).ToHashSet();
        var joints = JobCard
            .Derive(from, begun, Document.Vehicle, Document.Job.Equipment)
            .Joints.Where(j => !known.Contains(j.Place))
            .Select(j => new Joint
            {
                Id = NewId(),
                Where = j.Where,
                Place = j.Place,
                Kind = j.Kind,
                Fasteners = j.Fasteners,
                Order = j.Order,
                Spec = Spec(j),
            });
        Document = Document with
        {
            Plans = [.. Document.Plans.Where(p => p.Id != plan.Id), begun],
            Stages = [.. Document.Stages, to],
            FrozenPredictions = [.. Document.FrozenPredictions, frozen],
            Joints = [.. Document.Joints, .. joints],
        };
        Remember("fitting begun");
    }

    public void FitAll(string? leaveOpen = null) => Fit(int.MaxValue, leaveOpen);

    /// <summary>Does the first steps of the card, with every entry that they call for.</summary>
    public void Fit(int steps, string? leaveOpen = null)
    {
        var plan = Document.BegunPlan()!;
        foreach (var step in Progress.CardOf(Document).Steps.Take(steps))
        {
            Later(step.Minutes);
            Document = Document with
            {
                Steps =
                [
                    .. Document.Steps,
                    new StepEntry
                    {
                        Id = NewId(),
                        PlanId = plan.Id,
                        Step = step.Key,
                        Minutes = step.Minutes,
                        PersonId = _by.Id,
                        At = _now,
                    },
                ],
                OffLines =
                [
                    .. Document.OffLines,
                    .. step.TakesOff.Select(what => new OffLine
                    {
                        Id = NewId(),
                        PlanId = plan.Id,
                        Where = step.Where,
                        What = what,
                        OffBy = _by.Id,
                        OffAt = _now,
                    }),
                ],
            };
            if (step.Puts is { } position)
            {
                var on = position == WheelPosition.OnWheels ? "its wheels" : "lift arms, locks in";
                Document = Document with
                {
                    Supports =
                    [
                        .. Document.Supports,
                        new SupportEntry
                        {
                            Id = NewId(),
                            Where = "all",
                            Position = position,
                            On = on,
                            PersonId = _by.Id,
                            At = _now,
                        },
                    ],
                };
            }
            foreach (var place in step.Joints.Where(_ => step.Pass is not null))
            {
                if (step.Pass != Pass.Final || place != leaveOpen)
                {
                    Tighten(plan, place, step.Pass!.Value);
                }
            }
        }
        if (steps == int.MaxValue)
        {
            Document = Document with
            {
                OffLines =
                [
                    .. Document.OffLines.Select(o =>
                        o.Fate is null
                            ? o with
                            {
                                Fate = Fate.RefitHere,
                                ClosedBy = _by.Id,
                                ClosedAt = _now,
                            }
                            : o
                    ),
                ],
            };
        }
        Remember("step done");
    }

    public void HandOver(DateTimeOffset now, string notes)
    {
        Later(30);
        Document = Document with
        {
            Job = Document.Job with
            {
                HandedOverAt = _now,
                HandedOverBy = _by.Id,
                OdometerOut = Miles(48_204),
                OwnerNotes = notes,
            },
            FollowUps =
            [
                Follow(
                    "Alignment at a licensed shop",
                    "Height moves toe, camber and caster.",
                    now.AddDays(2),
                    48_254
                ),
                Follow("Headlight aim", "The nose angle changed.", now.AddDays(2), 48_254),
                Follow(
                    "Re-torque all opened joints",
                    "Paint and faces settle in the first 50 to 100 miles.",
                    now.AddDays(9),
                    48_279
                ),
                Follow("Measure again", "Springs and bushings settle.", now.AddDays(50), 48_704),
            ],
        };
        Remember("handed over");
    }
}
