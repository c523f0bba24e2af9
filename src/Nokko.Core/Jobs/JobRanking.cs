using Nokko.Core.Evidence;
using Nokko.Core.Finding;
using Nokko.Core.Shelf;

namespace Nokko.Core.Jobs;

/// <summary>The first stacks of a job, made of the parts that the job itself names: a job file carries no shelf.</summary>
public static class JobRanking
{
    private const int Most = 10;

    /// <summary>The first ten stacks of a job as it stands, of the parts that its plans and stages name.</summary>
    /// <param name="d">The job; a job file carries no shelf, so that each part counts as often as one plan or stage has it.</param>
    public static IReadOnlyList<RankedStack> Of(JobDocument d)
    {
        if (d.CurrentStage() is not { } now)
        {
            return [];
        }
        var results = JobEvaluator.Evaluate(d);
        var situation = JobEvaluator.SituationOf(
            d,
            now,
            results.WalkRounds,
            PlatformEvidence.None.With(results.Trials)
        );
        var there = now.Stacks.SelectMany(s => s.Parts).ToLookup(p => p.PartId ?? p.Id);
        var shelf = d
            .Plans.Select(p => p.Stacks)
            .Concat(d.Stages.Select(s => s.Stacks))
            .SelectMany(stacks =>
                stacks
                    .SelectMany(s => s.Parts)
                    .GroupBy(p => p.PartId ?? p.Id)
                    .Select(g => (Part: g.First(), Count: g.Count()))
            )
            .GroupBy(p => p.Part.PartId ?? p.Part.Id)
            .Select(g => Shelved(g.First().Part, g.Key, g.Max(p => p.Count) - there[g.Key].Count()))
            .OrderBy(p => p.Id)
            .ToArray();
        return
        [
            .. new StackSearch(situation, shelf, new SearchRules())
                .Run()
                .Where(n => n is { Proved: true, Found.Stopped: null })
                .Take(Most)
                .Select(n => new RankedStack(n.Found!.Plan.Stacks, n.Found.Chance, n.Found.Rank)),
        ];
    }

    /// <summary>A piece as it would lie on a shelf.</summary>
    internal static Part Shelved(PlacedPart p, Guid id, int count) =>
        new()
        {
            Id = id,
            Number = p.Number ?? "",
            Name = p.Name,
            Kind = p.Kind,
            Thickness = p.Thickness,
            Claim = p.Claim,
            Extension = p.Extension,
            Dimensions = p.Dimensions,
            Leaves = p.Leaves,
            Price = p.Price,
            Currency = p.Currency,
            Hours = p.Hours,
            Limits = p.Limits,
            Count = Math.Max(0, count),
        };
}
