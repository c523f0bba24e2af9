using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Practice;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Practice;

/// <summary>Somebody who practises, by the same commands as a person’s.</summary>
internal sealed class Learner
{
    private static readonly string[] Stations = ["LF", "LM", "LR", "RR", "RM", "RF"];

    private readonly List<PracticeAct> _acts = [];
    private readonly Part[] _shelf;

    public Learner(HiddenTruth truth)
    {
        Truth = truth;
        Shop.Document = Shop.Document with
        {
            Job = Shop.Document.Job with
            {
                Target = new Target
                {
                    Datum = Datum.Hub,
                    Rake = Sample.Mm(0),
                    Tolerance = Sample.Mm(Target.UsualToleranceMm),
                },
            },
        };
        _shelf =
        [
            Plate("plate 1", 1, 35),
            Plate("plate 1 1/4", 1.25, 35),
            Plate("plate 1 1/2", 1.5, 35),
            Plate("dear plate", 1.02, 300),
        ];
    }

    public Workshop Shop { get; } = new();
    public HiddenTruth Truth { get; }
    public IReadOnlyList<Part> Shelf => _shelf;

    /// <summary>What the owner wants: the rake, and what is accepted of it, mm.</summary>
    public void Wants(double rake, double tolerance) =>
        Shop.Document = Shop.Document with
        {
            Job = Shop.Document.Job with
            {
                Target = Shop.Document.Job.Target with
                {
                    Rake = Sample.Mm(rake),
                    Tolerance = Sample.Mm(tolerance),
                },
            },
        };

    /// <summary>When the exercise began: what was done before, others did.</summary>
    public DateTimeOffset Since { get; set; } = Sample.At(0);

    public PracticeRun Run => new(Truth, Shop.Document, _acts, _shelf, Since);

    public PracticeScore Score => PracticeScore.Of(Run);

    private Part Plate(string name, double inches, decimal price)
    {
        var part = Shop.Plates(2) with
        {
            Name = name,
            Thickness = Sample.Of(inches, Unit.Inch, Known.Measured),
            Claim = null,
            Price = price,
        };
        Shop.Shelf[part.Id] = part;
        return part;
    }

    public void Look(LookAt at, bool mend = false)
    {
        _acts.Add(new PracticeAct(Shop.Key(), at, mend, Shop.Now));
        Shop.Now = Shop.Now.AddMinutes(1);
    }

    public void FindAll()
    {
        foreach (var rule in Truth.Faults.Select(f => LookRule.For(f.Of)))
        {
            Look(rule.At);
            if (rule.Mend is not null)
            {
                Look(rule.At, true);
            }
        }
    }

    /// <summary>Reads each station as it stands, or as somebody reads it who errs.</summary>
    public void Walk(
        Settled settled = Settled.Rolled,
        Func<string, double>? errs = null,
        string? but = null
    )
    {
        var round = Shop.Key();
        Shop.Do(
            new BeginWalkRound(
                Shop.Key(),
                round,
                Shop.Document.CurrentStage()!.Id,
                Workshop.Conditions(settled)
            )
        );
        foreach (var station in Stations.Where(s => s != but))
        {
            ReadAgain(station, errs?.Invoke(station) ?? 0);
        }
    }

    /// <summary>Reads a station of the last round once more, by so much too high, mm.</summary>
    public void ReadAgain(string station, double err)
    {
        var round = Shop.Document.WalkRounds[^1];
        var from = station is "LM" or "RM" ? Datum.Floor : Datum.Hub;
        var mm = Run.Vehicle.TrueMm(round.StageId, station, from, round.Settled, Shop.Now)!.Value;
        Shop.Do(
            new StoreReading(
                Shop.Key(),
                Shop.Key(),
                round.Id,
                station,
                from,
                LengthText
                    .Show(mm + err, LengthStyle.Inches)
                    .Replace(" in", "", StringComparison.Ordinal),
                [HeightReader.AsRead],
                Shop.Now,
                null,
                null
            )
        );
    }

    public void Plan(Part part) => Shop.Do(Shop.PlanWith(part));

    public void PlanTheBest()
    {
        var best = Run.Best()!;
        Shop.Do(
            new SavePlan(
                Shop.Key(),
                Shop.Key(),
                null,
                Shop.Document.CurrentStage()!.Id,
                "Plan A",
                [
                    .. best
                        .Stacks.Where(s => s.Parts.Count > 0)
                        .Select(s => new CornerPlacingsInput(
                            s.Corner,
                            [.. s.Parts.Select(p => new PlacingInput(Shop.Key(), p.PartId))]
                        )),
                ]
            )
        );
    }

    /// <summary>Does the card, all but some steps; with a reason where a gate asks for one.</summary>
    public void Fit(Func<CardStep, bool>? skip = null)
    {
        Shop.Do(Shop.Begin());
        foreach (var step in Progress.CardOf(Shop.Document).Steps)
        {
            if (skip?.Invoke(step) != true)
            {
                Shop.Do(
                    new DoStep(
                        Shop.Key(),
                        Shop.Key(),
                        step.Key,
                        null,
                        "practice",
                        Shop.Reached(step)
                    )
                );
            }
        }
    }

    public void SayItWas(CauseKind kind, string where) =>
        Shop.Do(
            new NoteCheck(
                Shop.Key(),
                Shop.Key(),
                Shop.Document.WalkRounds.MaxBy(w => w.At)!.Id,
                kind,
                where,
                true,
                "seen",
                null
            )
        );

    public static Learner Wronged(Fault fault, string where, double mm, params HiddenFault[] more)
    {
        var learner = new Learner(
            PracticeVehicleTests.Truth([new HiddenFault(fault, where, mm), .. more]) with
            {
                Course = Course.WentWrong,
            }
        );
        learner.Walk();
        if (fault == Fault.SidesSwapped)
        {
            learner.Shop.Do(
                new SavePlan(
                    learner.Shop.Key(),
                    learner.Shop.Key(),
                    null,
                    learner.Shop.Document.CurrentStage()!.Id,
                    "Plan A",
                    [
                        new CornerPlacingsInput(
                            Corner.LF,
                            [new PlacingInput(learner.Shop.Key(), learner.Shelf[0].Id)]
                        ),
                        new CornerPlacingsInput(
                            Corner.RF,
                            [new PlacingInput(learner.Shop.Key(), learner.Shelf[1].Id)]
                        ),
                    ]
                )
            );
        }
        else
        {
            learner.Plan(learner.Shelf[0]);
        }
        learner.Fit();
        learner.Since = learner.Shop.Now = learner.Shop.Now.AddMinutes(1);
        return learner;
    }

    public static Learner Measuring(HiddenTruth truth) =>
        new(truth with { Course = Course.Measure });

    public static Learner Levelling()
    {
        var learner = new Learner(PracticeVehicleTests.Truth());
        learner.Walk();
        return learner;
    }
}
