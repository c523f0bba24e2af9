using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>Pieces of one name in a box, as typed.</summary>
/// <param name="Name">Name as on the sheet.</param>
/// <param name="Count">How many there must be.</param>
/// <param name="At">Corners at which they stand; empty for small things.</param>
/// <param name="Part">What it is, where it stands in a stack; null for small things.</param>
/// <param name="Thickness">Thickness.</param>
/// <param name="Extension">Extension of studs or strut.</param>
/// <param name="Sizes">Sizes.</param>
/// <param name="Leaves">Its leaves.</param>
public sealed record BoxedPieceInput(
    string Name,
    int Count,
    IReadOnlyList<Corner>? At = null,
    PartKind? Part = null,
    QuantityInput? Thickness = null,
    QuantityInput? Extension = null,
    IReadOnlyList<PartSizeInput>? Sizes = null,
    IReadOnlyList<Leaf>? Leaves = null
)
{
    /// <summary>Reads it.</summary>
    /// <param name="at">Where it stands in what was sent.</param>
    /// <exception cref="RefusedException">Something of it cannot be taken.</exception>
    public BoxedPiece Read(string at)
    {
        var name = TypedText.Needed(Name, $"{at}.name", "What is the piece called?");
        if (Count is < 1 or > 999)
        {
            throw Refuse.Value($"{at}.count", $"How many of {name} must be in the box?");
        }
        Corner[] corners = [.. (At ?? []).Distinct().Order()];
        if (Part is not { } kind)
        {
            return corners.Length == 0
                ? new BoxedPiece(name, Count, [])
                : throw Refuse.Value($"{at}.part", $"What is {name}, that it stands in a stack?");
        }
        if (!PartRule.Of(kind).Offered)
        {
            throw Refuse.Value($"{at}.part", $"A {PartRule.Of(kind).Said} is no piece of a box.");
        }
        if (corners.Length == 0)
        {
            throw Refuse.Value($"{at}.at", $"Where does {name} go?");
        }
        if (Count % corners.Length != 0)
        {
            throw Refuse.Value(
                $"{at}.count",
                $"{Count} of {name} do not come out even on {corners.Length} corners. Write those of each corner as a piece of its own."
            );
        }
        try
        {
            return new BoxedPiece(
                name,
                Count,
                corners,
                PlacedPart.Of(
                    new SavePart(
                        Guid.Empty,
                        Guid.Empty,
                        null,
                        null,
                        name,
                        kind,
                        Thickness,
                        null,
                        0,
                        null,
                        null,
                        null,
                        Extension,
                        Sizes,
                        Leaves
                    ).Read(),
                    Guid.Empty
                ) with
                {
                    PartId = null,
                    Number = null,
                }
            );
        }
        catch (RefusedException e)
        {
            throw new RefusedException(e.Refusal with { Field = $"{at}.{e.Refusal.Field}" });
        }
    }
}

/// <summary>What is in a kit's box, as typed.</summary>
/// <param name="FrontClaim">What it lifts in front, as its maker says.</param>
/// <param name="RearClaim">The same at the rear.</param>
/// <param name="Pieces">The pieces.</param>
/// <param name="Source">Which sheet; needed where anything of it is written.</param>
/// <param name="Steps">Steps that are its own, a line each.</param>
/// <param name="Torques">Torques that it names, a line each.</param>
/// <param name="Warnings">What it warns of, a line each.</param>
public sealed record KitInput(
    QuantityInput? FrontClaim = null,
    QuantityInput? RearClaim = null,
    IReadOnlyList<BoxedPieceInput>? Pieces = null,
    string? Source = null,
    string? Steps = null,
    string? Torques = null,
    string? Warnings = null
)
{
    /// <summary>Reads it.</summary>
    /// <exception cref="RefusedException">Something of it cannot be taken; the field is named.</exception>
    public KitContents Read()
    {
        var pieces = Pieces ?? [];
        if (pieces.Count is 0 or > KitContents.Most)
        {
            throw Refuse.Value(
                "contents.pieces",
                $"What is in the box? 1 to {KitContents.Most} pieces."
            );
        }
        if (pieces.Any(p => p is null))
        {
            throw Refuse.Value("contents.pieces", "There is a place with nothing in it.");
        }
        BoxedPiece[] read = [.. pieces.Select((p, i) => p.Read($"contents.pieces[{i}]"))];
        for (var i = 0; i < read.Length; i++)
        {
            if (read.Take(i).Any(p => Variant.Same(p.Name, read[i].Name)))
            {
                throw Refuse.Value(
                    $"contents.pieces[{i}].name",
                    $"{read[i].Name} is there twice: count all of them in one line."
                );
            }
        }
        return new KitContents
        {
            FrontClaim = QuantityInput.Read(FrontClaim, "contents.frontClaim", Unit.Mm),
            RearClaim = QuantityInput.Read(RearClaim, "contents.rearClaim", Unit.Mm),
            Pieces = read,
            Sheet = ReadSheet(),
        };
    }

    private KitSheet? ReadSheet()
    {
        var (steps, torques, warnings) = (
            TypedText.Lines(Steps, "contents.steps"),
            TypedText.Lines(Torques, "contents.torques"),
            TypedText.Lines(Warnings, "contents.warnings")
        );
        return (steps, torques, warnings) is (null, null, null)
            ? null
            : new KitSheet(
                TypedText.Needed(
                    Source,
                    "contents.source",
                    "From which sheet? Name its print or page, so that anyone can look it up."
                ),
                steps,
                torques,
                warnings
            );
    }
}
