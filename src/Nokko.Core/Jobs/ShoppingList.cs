using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>What a line of a shopping list is.</summary>
public enum BuyKind
{
    /// <summary>A part that the plan puts in.</summary>
    Part,

    /// <summary>A fastener that is never used again, or has another length.</summary>
    Fastener,

    /// <summary>A tool of its card that the shop does not have.</summary>
    Tool,

    /// <summary>Something that the plan needs beside it and does not have.</summary>
    Beside,

    /// <summary>Work that is done elsewhere or is not in the price.</summary>
    Work,
}

/// <summary>One thing to get before the vehicle goes up.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Word">Whether it must be, is to be checked, or may be.</param>
/// <param name="Where">Corner, axle or vehicle.</param>
/// <param name="What">What, in a few words.</param>
/// <param name="Why">Why; null where it is plain.</param>
/// <param name="Count">How many; null where it is not counted.</param>
/// <param name="ToOrder">How many of them are not here; null where nobody counts them.</param>
/// <param name="Price">Price of one; null is not known.</param>
/// <param name="Currency">Its currency.</param>
/// <param name="Supplier">From whom, as said.</param>
/// <param name="DueOn">When what is ordered comes; null is not known.</param>
public sealed record BuyLine(
    BuyKind Kind,
    Consequence Word,
    string Where,
    string What,
    string? Why,
    int? Count,
    int? ToOrder = null,
    decimal? Price = null,
    string? Currency = null,
    string? Supplier = null,
    DateOnly? DueOn = null
);

/// <summary>A sum of money in one currency.</summary>
/// <param name="Currency">The currency; empty where nobody wrote one.</param>
/// <param name="All">Of all that comes.</param>
/// <param name="ToOrder">Of what is not here.</param>
public sealed record BuySum(string Currency, decimal All, decimal ToOrder);

/// <summary>What a plan takes that is not on the vehicle yet.</summary>
/// <param name="Lines">Parts first, then fasteners, tools, what it needs beside, and work.</param>
/// <param name="Sums">Of the known prices, by currency.</param>
/// <param name="Unpriced">Lines of parts without a price.</param>
/// <param name="Waits">Whether something that must be is not here.</param>
/// <param name="DueOn">The day on which the last of it comes; null where nothing waits, or nobody knows.</param>
/// <param name="Bolts">Bolts that go through a part which comes or goes, place by place.</param>
/// <param name="Tools">Tools of its card.</param>
public sealed record ShoppingList(
    IReadOnlyList<BuyLine> Lines,
    IReadOnlyList<BuySum> Sums,
    int Unpriced,
    bool Waits,
    DateOnly? DueOn,
    IReadOnlyList<BoltRow> Bolts,
    IReadOnlyList<ToolLine> Tools
)
{
    /// <summary>The list of a plan.</summary>
    /// <remarks>Source: docs/computation/companions.md#what-to-buy.</remarks>
    /// <param name="d">The job.</param>
    /// <param name="plan">The plan, begun or not.</param>
    /// <param name="prediction">What it does; its companions are what it needs beside it.</param>
    /// <param name="shelf">Parts that it names, as they lie on the shelf now, by key.</param>
    /// <param name="others">Pieces that the chosen plans of jobs want that are served before this one, by part; a begun plan has taken its own.</param>
    /// <param name="lacks">Tools that the shop does not have.</param>
    public static ShoppingList Of(
        JobDocument d,
        Plan plan,
        Prediction prediction,
        IReadOnlyDictionary<Guid, Part> shelf,
        IReadOnlyDictionary<Guid, int>? others = null,
        IReadOnlyList<string>? lacks = null
    )
    {
        var card = Progress.CardOf(d, plan);
        var stock = new Stock(shelf, others ?? new Dictionary<Guid, int>(), plan.BegunAt is null);
        var opened = OpenedBy(d, card);
        var tools = ToolLine.Of(card, lacks ?? []);
        BuyLine[] parts = [.. Boxes(d, plan, stock), .. Parts(d, plan, stock)];
        BuyLine[] lines =
        [
            .. parts,
            .. Fasteners(opened, card.Bolts, plan.BegunAt is not null),
            .. Lockers(opened, FittingSchools.Of(d.Schools)),
            .. tools
                .Where(t => t.Lacking)
                .Select(t => new BuyLine(
                    BuyKind.Tool,
                    Consequence.Must,
                    "vehicle",
                    t.Tool,
                    $"for “{t.For}”",
                    1
                )),
            .. prediction
                .Companions.Where(c => !c.Placed)
                .Select(c => new BuyLine(
                    c.Work ? BuyKind.Work : BuyKind.Beside,
                    c.Word,
                    c.Where,
                    c.What,
                    c.Why,
                    null
                ))
                .OrderBy(l => l.Kind)
                .ThenBy(l => l.Word),
        ];
        BuyLine[] waiting = [.. parts.Where(l => l.ToOrder > 0)];
        return new ShoppingList(
            lines,
            [
                .. parts
                    .Where(l => l.Price is not null)
                    .GroupBy(l => l.Currency ?? "")
                    .Select(g => new BuySum(
                        g.Key,
                        g.Sum(l => l.Price!.Value * l.Count!.Value),
                        g.Sum(l => l.Price!.Value * l.ToOrder!.Value)
                    ))
                    .OrderBy(s => s.Currency, StringComparer.Ordinal),
            ],
            parts.Count(l => l.Price is null),
            waiting.Length > 0,
            waiting.Length > 0 && waiting.All(l => l.DueOn is not null)
                ? waiting.Max(l => l.DueOn)
                : null,
            card.Bolts,
            tools
        );
    }

    private static IEnumerable<BuyLine> Parts(JobDocument d, Plan plan, Stock stock)
    {
        var from = d.Stages.First(s => s.Id == plan.FromStageId);
        var there = from.Stacks.SelectMany(s => s.Parts).Select(p => p.Id).ToHashSet();
        var come = plan
            .Stacks.SelectMany(s => s.Parts.Select(p => (s.Corner, Part: p)))
            .Where(c =>
                !there.Contains(c.Part.Id)
                && c.Part.KitId is null
                && !PartRule.Of(c.Part.Kind).Turned
            );
        foreach (var group in come.GroupBy(c => (c.Part.PartId, c.Part.Name)))
        {
            var (part, count) = (group.First().Part, group.Count());
            var here = stock.Of(group.Key.PartId, count);
            yield return new BuyLine(
                BuyKind.Part,
                Consequence.Must,
                Where(part.Kind, [.. group.Select(g => g.Corner)]),
                $"{part.Name} {part.Number}".TrimEnd(),
                here.Says,
                count,
                here.Missing,
                part.Price,
                part.Currency,
                here.Part?.Supplier,
                here.Missing > 0 ? here.Part?.DueOn : null
            );
        }
    }

    /// <summary>Boxes, and pieces that were missing in one.</summary>
    private static IEnumerable<BuyLine> Boxes(JobDocument d, Plan plan, Stock stock)
    {
        foreach (var box in d.KitsOf(plan).GroupBy(k => (k.PartId, k.Name)))
        {
            var (kit, count) = (box.First(), box.Count());
            var here = stock.Of(kit.PartId, count);
            yield return new BuyLine(
                BuyKind.Part,
                Consequence.Must,
                "vehicle",
                $"{kit.Name} {kit.Number}".TrimEnd(),
                here.Says,
                count,
                here.Missing,
                kit.Price,
                kit.Currency,
                here.Part?.Supplier,
                here.Missing > 0 ? here.Part?.DueOn : null
            );
            foreach (
                var piece in box.SelectMany(k => k.Pieces)
                    .Where(p => p.Missing > 0 && p.End != KitPieceEnd.LeftOut)
            )
            {
                yield return new BuyLine(
                    BuyKind.Part,
                    Consequence.Must,
                    piece.Stacks.Count > 0
                        ? Where(
                            piece.Stacks[0].Parts[0].Kind,
                            [.. piece.Stacks.Select(s => s.Corner)]
                        )
                        : "vehicle",
                    piece.Name,
                    $"missing in the box of {kit.Name}",
                    piece.Missing,
                    piece.Missing,
                    null,
                    null,
                    here.Part?.Supplier
                );
            }
        }
    }

    /// <summary>What lies on the shelf for this plan: pieces that are wanted by plans which are served before it are theirs.</summary>
    /// <param name="Shelf">Parts by key.</param>
    /// <param name="Others">Pieces that those before it want.</param>
    /// <param name="Waits">Whether the plan still has to take its own; what was begun has left the shelf already.</param>
    private sealed record Stock(
        IReadOnlyDictionary<Guid, Part> Shelf,
        IReadOnlyDictionary<Guid, int> Others,
        bool Waits
    )
    {
        public (Part? Part, int Missing, string? Says) Of(Guid? id, int count)
        {
            var part = id is { } key ? Shelf.GetValueOrDefault(key) : null;
            var lies = part?.Count ?? 0;
            var others = part is null ? 0 : Others.GetValueOrDefault(part.Id);
            return Waits
                ? (
                    part,
                    Math.Max(0, count - Math.Max(0, lies - others)),
                    others > 0 && lies > 0 && lies < count + others
                        ? $"{lies} on the shelf, {others} wanted by jobs that are served first"
                        : null
                )
                : (part, 0, null);
        }
    }

    private static string Where(PartKind kind, Corner[] corners) =>
        corners.Select(Corners.AxleOf).Distinct().Count() > 1 ? "front and rear"
        // What an axle has once is placed at a corner only because it must stand somewhere.
        : corners.Distinct().Count() > 1 || PartRule.Of(kind).PerAxle
            ? Corners.AxleOf(corners[0]).Said()
        : Corners.Said(corners[0]);

    /// <summary>A joint that the plan's card opens, with its fasteners as the shop found them, else as such a joint has them.</summary>
    private sealed record Opened(CardJoint Joint, IReadOnlyList<Fastener> Fasteners);

    private static Opened[] OpenedBy(JobDocument d, JobCard card)
    {
        var known = d.Joints.DistinctBy(j => j.Place).ToDictionary(j => j.Place);
        return
        [
            .. from joint in card.Joints
            let its = known.GetValueOrDefault(joint.Place)
            where its is not { None: true }
            select new Opened(joint, its?.Fasteners ?? joint.Fasteners),
        ];
    }

    /// <summary>Fasteners that are never used again, of the joints that the card opens; and bolts of another length, less the old ones of other places that serve.</summary>
    private static IEnumerable<BuyLine> Fasteners(
        IReadOnlyList<Opened> opened,
        IReadOnlyList<BoltRow> bolts,
        bool begun
    )
    {
        foreach (var (joint, fasteners) in opened)
        {
            // Where it is stands beside it.
            var place = joint.Place.StartsWith($"{joint.Where} ", StringComparison.Ordinal)
                ? joint.Place[(joint.Where.Length + 1)..]
                : joint.Place;
            foreach (var fastener in fasteners)
            {
                var bolt = bolts.FirstOrDefault(b =>
                    b.Place == joint.Place && b.Fastener == fastener
                );
                var length = LengthOf(fastener, bolt, begun);
                var count = bolt is null
                    ? fastener.NewPartOnly || length is not null
                        ? fastener.Count
                        : 0
                    : bolt.New ?? 0;
                if (count == 0)
                {
                    continue;
                }
                yield return new BuyLine(
                    BuyKind.Fastener,
                    Consequence.Must,
                    joint.Where,
                    string.Join(
                        ", ",
                        new[]
                        {
                            $"{place}: {fastener.Position}",
                            fastener.Thread,
                            fastener.Grade,
                            length,
                        }
                            .OfType<string>()
                            .Where(t => t.Length > 0)
                    ),
                    bolt is { Another: true, NeededMm: null }
                            ? "old length and what it grows by: measure one"
                        : fastener.NewPartOnly ? "never used again"
                        : count < fastener.Count
                            ? $"another length; old ones serve for the other {fastener.Count - count}"
                        : "another length",
                    count
                );
            }
        }
    }

    /// <summary>What keeps threads from turning: as it is noted of fasteners of the card's joints, and as this job's way has it.</summary>
    private static IEnumerable<BuyLine> Lockers(IReadOnlyList<Opened> opened, FittingSchools ways)
    {
        var lockers =
            from joint in opened
            from fastener in joint.Fasteners
            let sort = fastener.Threadlocker?.Trim()
            where sort is { Length: > 0 }
            group (Sort: sort, fastener.Count) by sort.ToLowerInvariant();
        foreach (var locker in lockers.Where(l => l.Key != "dry"))
        {
            yield return new BuyLine(
                BuyKind.Fastener,
                Consequence.Must,
                "vehicle",
                $"threadlocker: {locker.First().Sort}",
                $"for {locker.Sum(f => f.Count)} fasteners",
                null
            );
        }
        var way = ways.Threads switch
        {
            ThreadsWay.Locker => "threadlocker",
            ThreadsWay.DryNewNuts => "new locking nuts",
            _ => null,
        };
        if (way is not null)
        {
            yield return new BuyLine(
                BuyKind.Fastener,
                Consequence.Must,
                "vehicle",
                way,
                "this job's way, for all that is opened",
                null
            );
        }
    }

    /// <summary>The length that a fastener needs where it is another one than the old one's, or where it is known.</summary>
    /// <remarks>Before the work begins, a length that is needed is one that an earlier fitting put in.</remarks>
    private static string? LengthOf(Fastener fastener, BoltRow? bolt, bool begun) =>
        bolt is null
            ? begun && fastener.LengthNeeded is { } needed
                ? $"{LengthText.Both(needed.In(Unit.Mm))} long"
                : null
            : bolt.NeededMm is { } mm
                ? $"{LengthText.Both(mm)} long"
                : bolt is { Another: true, GrowsMm: { } grows }
                    ? $"{LengthText.Both(Math.Abs(grows))} {(grows > 0 ? "longer" : "shorter")} than the old one"
                    : null;
}
