using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;

namespace Nokko.Core.Jobs;

/// <summary>What a part of a file does to a shelf.</summary>
/// <param name="Now">The part of its number and name that lies there; null when it is new.</param>
/// <param name="Next">The part as it will lie there.</param>
/// <param name="Changes">Whether anything of it changes.</param>
public sealed record ShelfLine(Part? Now, Part Next, bool Changes);

/// <summary>Puts the parts of a file on the shelf; nothing that lies there is taken off.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Parts">The parts; their keys are those of another shelf and count for nothing.</param>
/// <param name="Whole">Whether the file carries all of a part; a table does not.</param>
public sealed record ReadInShelf(Guid CommandId, IReadOnlyList<Part> Parts, bool Whole)
    : ShopCommand(CommandId)
{
    /// <summary>Most parts at once.</summary>
    public const int Most = 5_000;

    /// <inheritdoc/>
    public override string Does() => "shelf read in";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        if (Parts.Count > Most)
        {
            throw Refuse.Value(
                "parts",
                string.Create(CultureInfo.InvariantCulture, $"At most {Most:#,0} parts at once.")
            );
        }
        var keys = new RowKeys(CommandId, context.Now);
        var changes = new List<RowChange>();
        var seen = new HashSet<(string, string)>();
        foreach (var part in Parts.Select(Checked))
        {
            if (!seen.Add((part.Number, part.Name)))
            {
                throw Refuse.Value(
                    "parts",
                    $"{part.Number} {part.Name}".TrimStart() + " is there twice."
                );
            }
            var line = Against(shop.Shelf, part, Whole);
            if (line.Now is not { } now)
            {
                changes.Add(new RowChange.Added(line.Next with { Id = keys.Next() }));
            }
            else if (line.Changes)
            {
                changes.Add(new RowChange.Replaced(now, line.Next));
            }
        }
        return changes;
    }

    /// <summary>A part of a file through the same border as a typed one; its quantities stay as they are.</summary>
    /// <exception cref="RefusedException">It cannot be; the field is named.</exception>
    public static Part Checked(Part? p) =>
        p is null
        || HasGaps(p.Dimensions, p.Leaves)
        || p.Contents is { } box
            && box.Pieces.Any(b =>
                b is null || b.Part is { } its && HasGaps(its.Dimensions, its.Leaves)
            )
            ? throw Refuse.Value("parts", "There is a place with nothing in it.")
            : Read(p);

    private static bool HasGaps(
        IReadOnlyDictionary<string, Quantity> sizes,
        IReadOnlyList<Leaf> leaves
    ) => sizes.Values.Any(d => d is null) || leaves.Any(l => l is null);

    private static KitInput? Input(KitContents? box) =>
        box is null
            ? null
            : new KitInput(
                Input(box.FrontClaim),
                Input(box.RearClaim),
                [
                    .. box.Pieces.Select(b => new BoxedPieceInput(
                        b.Name,
                        b.Count,
                        b.At,
                        b.Part?.Kind,
                        Input(b.Part?.Thickness),
                        Input(b.Part?.Extension),
                        b.Part is { } its ? Input(its.Dimensions) : null,
                        b.Part?.Leaves
                    )),
                ],
                box.Sheet?.Source,
                box.Sheet?.Steps,
                box.Sheet?.Torques,
                box.Sheet?.Warnings
            );

    private static PartSizeInput[] Input(IReadOnlyDictionary<string, Quantity> sizes) =>
        [.. sizes.Select(d => new PartSizeInput(d.Key, Input(d.Value)))];

    /// <summary>What was read keeps the figures that it came with.</summary>
    private static KitContents? AsWritten(KitContents? read, KitContents? written) =>
        read is null
            ? null
            : read with
            {
                FrontClaim = written!.FrontClaim,
                RearClaim = written.RearClaim,
                Pieces =
                [
                    .. read.Pieces.Zip(
                        written.Pieces,
                        (r, w) =>
                            r with
                            {
                                Part = r.Part is { } part
                                    ? part with
                                    {
                                        Thickness = w.Part!.Thickness,
                                        Extension = w.Part.Extension,
                                        Dimensions = w.Part.Dimensions,
                                    }
                                    : null,
                            }
                    ),
                ],
            };

    private static Part Read(Part p)
    {
        var read = AsTyped(p).Read();
        return read with
        {
            Thickness = p.Thickness,
            Claim = p.Claim,
            Extension = p.Extension,
            Dimensions = p.Dimensions,
            Hours = p.Hours,
            Contents = AsWritten(read.Contents, p.Contents),
        };
    }

    private static SavePart AsTyped(Part p) =>
        new SavePart(
            Guid.Empty,
            p.Id,
            null,
            p.Number,
            p.Name,
            p.Kind,
            Input(p.Thickness),
            Input(p.Claim),
            p.Count,
            p.Price,
            p.Currency,
            p.Notes,
            Input(p.Extension),
            Input(p.Dimensions),
            p.Leaves,
            Input(p.Hours),
            p.Limits,
            p.MadeFor,
            p.Fit,
            p.Supplier,
            p.DueOn,
            Input(p.Contents)
        );

    /// <summary>A part of a file against a shelf, on which it is known by its number and name.</summary>
    /// <param name="shelf">What lies there.</param>
    /// <param name="part">The part, checked.</param>
    /// <param name="whole">Whether the file carries all of it; else what a table cannot carry stays.</param>
    public static ShelfLine Against(
        IReadOnlyDictionary<(string Number, string Name), Part> shelf,
        Part part,
        bool whole
    )
    {
        if (shelf.GetValueOrDefault((part.Number, part.Name)) is not { } now)
        {
            return new ShelfLine(null, part with { BinnedAt = null }, true);
        }
        var next = (whole ? part : Kept(now, part)) with { Id = now.Id, BinnedAt = now.BinnedAt };
        // Named sizes have no order of their own.
        return new ShelfLine(now, next, !JsonNode.DeepEquals(Node(now), Node(next)));
    }

    private static JsonNode? Node(Part part) =>
        JsonSerializer.SerializeToNode(part, JobJson.Options);

    /// <summary>What a table does not carry stays as it is: leaves, what is in a box, under which conditions it fits, and of every size that it does not change how it is known and what was typed.</summary>
    private static Part Kept(Part now, Part next) =>
        next with
        {
            Leaves =
                next.Leaves.Count > 0 ? next.Leaves
                : next.Kind == now.Kind ? now.Leaves
                : [],
            Contents = next.Contents ?? (next.Kind == now.Kind ? now.Contents : null),
            Fit = next.Fit is { } fit
                ? fit with
                {
                    Rules = fit.Rules.Count > 0 ? fit.Rules : now.Fit?.Rules ?? [],
                }
                : now.Fit,
            Supplier = next.Supplier ?? now.Supplier,
            DueOn = next.DueOn ?? now.DueOn,
            Thickness = Kept(now.Thickness, next.Thickness),
            Claim = Kept(now.Claim, next.Claim),
            Extension = Kept(now.Extension, next.Extension),
            Hours = Kept(now.Hours, next.Hours),
            Dimensions = next.Dimensions.ToDictionary(
                d => d.Key,
                d => Kept(now.Dimensions.GetValueOrDefault(d.Key), d.Value)!
            ),
        };

    private static Quantity? Kept(Quantity? now, Quantity? next) =>
        now is not null
        && next is not null
        && now.Unit == next.Unit
        // A length is read by way of millimetres: the last bits may differ.
        && Math.Abs(now.Value - next.Value) <= 1e-9 * Math.Abs(now.Value)
            ? now
            : next;

    private static QuantityInput? Input(Quantity? q) =>
        q is null
            ? null
            : new QuantityInput(
                q.Value.ToString("R", CultureInfo.InvariantCulture),
                q.Unit,
                q.Known,
                AsRead
            );

    /// <summary>What stands in a file was read before: no question is asked about a decimal again.</summary>
    private static readonly string[] AsRead = ["asTyped", "decimal"];
}
