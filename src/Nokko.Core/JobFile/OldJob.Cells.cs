using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.JobFile;

/// <content>What stands in the cells of its line.</content>
public static partial class OldJob
{
    private static readonly DateOnly First = new(1980, 1, 1);

    private static DateOnly Day(string? text, DateTimeOffset now) =>
        DateOnly.TryParseExact(
            text,
            "yyyy-MM-dd",
            CultureInfo.InvariantCulture,
            DateTimeStyles.None,
            out var day
        )
        && day >= First
        && day <= DateOnly.FromDateTime(now.UtcDateTime)
            ? day
            : throw Refuse.Value(
                "date",
                "The day of the work as 2024-03-18, not before 1980 and not to come."
            );

    private static IReadOnlyList<CornerStack> Fitted(
        Func<string, string?> cell,
        RowKeys keys,
        Axle axle,
        Vehicle vehicle
    )
    {
        var kind = Word<PartKind>(cell("kind"), "kind");
        var rule = PartRule.Of(kind);
        if (!rule.MayLift || rule.Amount is null || !rule.FitsOn(vehicle.SuspensionOf(axle).Kind))
        {
            throw Refuse.Value(
                "kind",
                $"A {rule.Said} is no part of which a thickness lifts the {axle.Said()} of this suspension."
            );
        }
        var name = TypedText.Needed(cell("part"), "part", "What went in?");
        var thickness = Length(cell("thickness"), "thickness", Known.Told);
        var claim = Length(cell("claim"), "claim", Known.Box);
        return
        [
            .. Corners
                .Of(axle)
                .Select(c => new CornerStack
                {
                    Corner = c,
                    Parts =
                    [
                        new PlacedPart
                        {
                            Id = keys.Next(),
                            Name = name,
                            Kind = kind,
                            Thickness = thickness,
                            Claim = claim,
                        },
                    ],
                }),
        ];

        // What stands in a file was read before: no question is asked about a decimal again.
        static Quantity? Length(string? text, string column, Known known) =>
            QuantityInput.Read(
                text is null
                    ? null
                    : new QuantityInput(text, Unit.Mm, known, ["asTyped", "decimal"]),
                column,
                Unit.Mm
            );
    }

    private static WalkRound Round(
        Guid id,
        Guid stage,
        Guid job,
        Datum from,
        DateTimeOffset at,
        OldJobContext context
    ) =>
        new()
        {
            Id = id,
            StageId = stage,
            JobId = job,
            Datum = from,
            Division =
                context.Style.Unit == Unit.Mm
                    ? Quantity.Mm(1, Known.Estimated)
                    : Quantity.Mm(25.4 / 16, Known.Estimated),
            // What went on the books had been driven, or nobody would have believed it; how it stood nobody noted.
            Settled = Settled.Driven,
            Told = true,
            PersonId = context.By.Id,
            At = at,
        };

    private static IEnumerable<Reading> Heights(
        Func<string, string?> cell,
        string when,
        WalkRound round,
        Vehicle vehicle,
        RowKeys keys,
        OldJobContext context
    )
    {
        var any = false;
        foreach (var (column, corner) in Lips)
        {
            var field = $"{when}_{column}";
            if (cell(field) is not { } text)
            {
                continue;
            }
            any = true;
            var read = HeightReader.Read(
                text,
                corner.Name(),
                round.Datum,
                context.Style,
                round.Division.In(Unit.Mm),
                vehicle,
                [],
                [HeightReader.AsRead, "asTyped", "decimal"]
            );
            if (read.Reading is not TapeReading.Understood height)
            {
                throw new RefusedException(Refusal.Of(field, read.Reading));
            }
            yield return new Reading
            {
                Id = keys.Next(),
                WalkRoundId = round.Id,
                Kind = ReadingKind.Height,
                Place = new Place { Kind = PlaceKind.Station, Name = corner.Name() },
                From = round.Datum,
                Value = new Quantity
                {
                    Value = Unit.Mm.To(height.Unit, height.Mm),
                    Unit = height.Unit,
                    Known = Known.Told,
                    Typed = text,
                },
                PersonId = context.By.Id,
                TakenAt = round.At,
                StoredAt = Instants.ToMicroseconds(context.Now),
            };
        }
        if (!any)
        {
            throw Refuse.Value($"{when}_lf", $"How high did it stand {when}? One lip at least.");
        }
    }

    /// <summary>A word of a closed list, however it is spaced.</summary>
    private static T Word<T>(string? text, string column)
        where T : struct, Enum
    {
        var letters = string.Concat((text ?? "").Where(char.IsLetterOrDigit));
        return Enum.GetValues<T>()
                .Where(v =>
                    string.Equals(v.ToString(), letters, StringComparison.OrdinalIgnoreCase)
                )
                .Cast<T?>()
                .FirstOrDefault()
            ?? throw Refuse.Value(
                column,
                $"{(text is null ? "This is missing" : $"“{text}” is none of these")}: {string.Join(", ", Enum.GetValues<T>().Select(v => char.ToLowerInvariant(v.ToString()[0]) + v.ToString()[1..]))}."
            );
    }

    private static Guid Seed(Guid shop, Func<string, string?> cell)
    {
        var text = string.Join(
            '\u001f',
            Columns.Select(c => cell(c)?.Trim() ?? "").Prepend($"{shop}")
        );
        return new Guid(SHA256.HashData(Encoding.UTF8.GetBytes(text)).AsSpan(0, 16), true);
    }
}
