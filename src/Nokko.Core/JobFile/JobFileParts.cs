using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;

namespace Nokko.Core.JobFile;

/// <summary>Sizes of suspensions and parts in a job file: each name is known, and leaves can be built.</summary>
internal static class JobFileParts
{
    /// <summary>The first thing that is wrong.</summary>
    public static JobFileError? Check(JobDocument d) =>
        d.Stages.SelectMany(
                (s, i) =>
                    (JobFileError?[])
                        [
                            Names(s.Front, $"$.stages[{i}].front"),
                            Names(s.Rear, $"$.stages[{i}].rear"),
                        ]
            )
            .FirstOrDefault(e => e is not null)
        ?? d.Stages.SelectMany((s, i) => Parts(s.Stacks, $"$.stages[{i}]"))
            .Concat(d.Plans.SelectMany((p, i) => Parts(p.Stacks, $"$.plans[{i}]")))
            .Concat(d.Plans.SelectMany((p, i) => Conversions(p, $"$.plans[{i}]")))
            .Concat(d.Kits.SelectMany(Pieces))
            .FirstOrDefault();

    private static IEnumerable<JobFileError> Pieces(Kit kit, int k)
    {
        for (var i = 0; i < kit.Pieces.Count; i++)
        {
            var (piece, at) = (kit.Pieces[i], $"$.kits[{k}].pieces[{i}]");
            if (piece.Count < 1 || piece.Found < 0)
            {
                yield return new($"{at}.count", "A piece is there once at least; count it.");
            }
            if (piece.Stacks.Any(s => s.Parts.Count == 0))
            {
                yield return new($"{at}.stacks", "A corner at which nothing of it stands.");
            }
            foreach (var error in Parts(piece.Stacks, at))
            {
                yield return error;
            }
        }
    }

    /// <summary>An axle gets one other suspension at most.</summary>
    private static IEnumerable<JobFileError> Conversions(Plan plan, string path)
    {
        var all = plan.Conversions ?? [];
        for (var i = 0; i < all.Count; i++)
        {
            var at = $"{path}.conversions[{i}]";
            if (all.Take(i).Any(c => c.Axle == all[i].Axle))
            {
                yield return new($"{at}.axle", "This axle gets another suspension twice.");
            }
            if (all[i].From is not (WalkRounds.Datum.Hub or WalkRounds.Datum.Floor))
            {
                yield return new($"{at}.from", "It is set up from the hub or from the floor.");
            }
            if (Names(all[i].To, $"{at}.to") is { } error)
            {
                yield return error;
            }
        }
    }

    private static JobFileError? Names(Vehicles.Suspension suspension, string path) =>
        suspension.Dimensions.Keys.FirstOrDefault(k => SuspensionSizes.Find(k) is null) is { } name
            ? new JobFileError(
                $"{path}.dimensions.{name}",
                "No suspension has a size of this name."
            )
            : null;

    private static IEnumerable<JobFileError> Parts(IReadOnlyList<CornerStack> stacks, string path)
    {
        var pieces = new HashSet<Guid>();
        for (var i = 0; i < stacks.Count; i++)
        {
            if (stacks.Take(i).Any(s => s.Corner == stacks[i].Corner))
            {
                yield return new($"{path}.stacks[{i}].corner", "This corner stands in it twice.");
            }
            for (var j = 0; j < stacks[i].Parts.Count; j++)
            {
                var (part, at) = (stacks[i].Parts[j], $"{path}.stacks[{i}].parts[{j}]");
                if (!pieces.Add(part.Id))
                {
                    yield return new($"{at}.id", "One piece cannot stand in two places.");
                }
                if (
                    part.Thickness is { Value: <= 0 }
                    && !PartRule.Of(part.Kind).AmountMayBeBelowZero
                )
                {
                    yield return new($"{at}.thickness.value", "thickness must be above zero.");
                }
                if (part.Dimensions.Keys.FirstOrDefault(k => PartSizes.Find(k) is null) is { } name)
                {
                    yield return new($"{at}.dimensions.{name}", "No part has a size of this name.");
                }
                if (
                    part.Leaves.Count > 0
                    && LeafPackBuild.WhyNot(part.Leaves, part.Get(PartSizes.ClampLength) ?? 0)
                        is { } why
                )
                {
                    yield return new($"{at}.leaves", why);
                }
            }
        }
    }
}
