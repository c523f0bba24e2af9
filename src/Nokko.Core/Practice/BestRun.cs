using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Practice;

/// <summary>A step of the best run of an exercise.</summary>
/// <param name="Said">What is done, in a fitter's words.</param>
/// <param name="Found">What it shows; null where nothing is to be seen.</param>
/// <param name="Lips">Heights of LF, RF, LR and RR above the hub after it, mm.</param>
/// <param name="Minutes">Minutes that it takes.</param>
public sealed record BestStep(
    string Said,
    string? Found,
    IReadOnlyList<double> Lips,
    double Minutes
);

/// <summary>The best run of an exercise, to be watched step by step: what somebody does who knows where to look, and no more.</summary>
/// <remarks>Source: docs/computation/practice.md#best-run.</remarks>
public static class BestRun
{
    /// <summary>The steps.</summary>
    /// <param name="run">The exercise.</param>
    public static IReadOnlyList<BestStep> Of(PracticeRun run)
    {
        var steps = new List<BestStep>();
        var first = run.Job.FirstStage()!;
        var fitted = run.Truth.Course == Course.WentWrong;
        // Of what went wrong, the vehicle as it was fitted; of the others as it was found.
        var stage = fitted
            ? run.Job.Stages.OrderBy(s => s.Ordinal).First(s => s.Ordinal > first.Ordinal)
            : first;
        var acts = new List<PracticeAct>();
        foreach (
            var fault in run
                .Truth.Faults.OrderBy(f => LookRule.CauseOf(f.Of) is null ? 0 : 1)
                .ThenBy(f => LookRule.For(f.Of).Minutes)
        )
        {
            var rule = LookRule.For(fault.Of);
            if (LookRule.CauseOf(fault.Of) is not null)
            {
                Add(
                    "Roll it, read all six stations: they do not agree with what was foretold.",
                    null,
                    Readings()
                );
            }
            Add($"{rule.Says}.", LookRule.Found(fault), rule.Minutes);
            if (rule.Mend is { } mend)
            {
                acts.Add(new PracticeAct(Guid.Empty, rule.At, true, DateTimeOffset.MinValue));
                Add($"{mend}.", null, rule.MendMinutes);
            }
        }
        Add(
            "Roll it forward and back by a wheel’s turn, then read all six stations, hook and eye first.",
            null,
            Readings()
        );
        if (fitted || run.Truth.Course == Course.Measure || run.Best() is not { } best)
        {
            return steps;
        }
        var come = Corners
            .All.SelectMany(c =>
                CornerStack
                    .Change(c, first.Stacks, best.Stacks)
                    .Come.Select(p => $"{p.Name} {Corners.Said(c)}")
            )
            .ToArray();
        Add(
            come.Length == 0
                ? "Leave it as it is: nothing of this shelf lands nearer."
                : $"Plan: {string.Join(", ", come)}.",
            null,
            10
        );
        if (come.Length > 0)
        {
            stage = first with
            {
                Id = Guid.Empty,
                Ordinal = first.Ordinal + 1,
                Stacks = best.Stacks,
            };
            Add(
                "Fit it by the card, every hold point confirmed, rubber closed on its wheels.",
                null,
                best.Hours * 60
            );
            Add(
                "Roll it, read all six stations again.",
                $"It lands {LengthText.Both(best.MissMm)} off what is wanted.",
                Readings()
            );
        }
        return steps;

        double Readings() => 6 * PracticeRun.ReadingMinutes;

        void Add(string said, string? found, double minutes)
        {
            var vehicle = new PracticeVehicle(
                run.Job with
                {
                    Stages = stage.Id == first.Id ? [first] : [first, stage],
                    Plans = [],
                },
                run.Truth,
                acts
            );
            steps.Add(
                new BestStep(
                    said,
                    found,
                    [
                        .. Corners.All.Select(c =>
                            vehicle.TrueMm(
                                stage.Id,
                                c.Name(),
                                Datum.Hub,
                                Settled.Rolled,
                                DateTimeOffset.MaxValue
                            ) ?? 0
                        ),
                    ],
                    minutes
                )
            );
        }
    }
}
