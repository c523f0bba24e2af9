using System.Text.Json.Serialization;
using Nokko.Core.Tape;
using Nokko.Core.Units;

namespace Nokko.Core.Jobs;

/// <summary>As what somebody signs.</summary>
public enum SignedAs
{
    /// <summary>The owner.</summary>
    Owner,

    /// <summary>Who drives it away, for the owner.</summary>
    Driver,

    /// <summary>Who hands it over, for the shop.</summary>
    Shop,
}

/// <summary>Signers as they are said.</summary>
public static class Signers
{
    /// <summary>As what somebody signs.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is nothing of it.</exception>
    public static string Said(this SignedAs signer) =>
        signer switch
        {
            SignedAs.Owner => "owner",
            SignedAs.Driver => "drives it away",
            SignedAs.Shop => "for the shop",
            _ => throw new ArgumentOutOfRangeException(nameof(signer), signer, "No signer."),
        };
}

/// <summary>Somebody's signature under what was told at the hand-over, or under the offer that was chosen, as it was drawn.</summary>
public sealed record Signature : IRow
{
    /// <summary>Width of the field in which it is drawn.</summary>
    public const int Width = 1000;

    /// <summary>Height of that field.</summary>
    public const int Height = 300;

    /// <summary>Most numbers of all its strokes.</summary>
    public const int Most = 8_000;

    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Who signed.</summary>
    [Personal]
    public required string Name { get; init; }

    /// <summary>As what.</summary>
    public required SignedAs As { get; init; }

    /// <summary>What was told, sentence by sentence, as it stood when it was signed.</summary>
    public required IReadOnlyList<string> Told { get; init; }

    /// <summary>Each stroke as x, y, x, y …, 0 to <see cref="Width"/> across and 0 to <see cref="Height"/> down.</summary>
    [Personal]
    public required IReadOnlyList<IReadOnlyList<int>> Strokes { get; init; }

    /// <summary>The offer that was chosen with it; null under what was told at the hand-over.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Guid? OfferId { get; init; }

    /// <summary>Who was signed in, or who made the link by which it was signed.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>Signs sentences, where they are still those that were read.</summary>
    /// <param name="work">The decision.</param>
    /// <param name="told">The sentences as they are now.</param>
    /// <param name="read">The sentences that the signer had in view.</param>
    /// <param name="id">Key of the signature.</param>
    /// <param name="name">Who signs, as typed.</param>
    /// <param name="signer">As what.</param>
    /// <param name="strokes">What was drawn.</param>
    /// <param name="offer">The offer that is chosen with it.</param>
    /// <exception cref="RefusedException">Nobody is named, nothing is drawn, or something else was read.</exception>
    internal static void Under(
        JobWork work,
        IReadOnlyList<string> told,
        IReadOnlyList<string>? read,
        Guid id,
        string? name,
        SignedAs signer,
        IReadOnlyList<IReadOnlyList<int>> strokes,
        Guid? offer = null
    )
    {
        var who = TypedText.Needed(name, "name", "Who signs?");
        if (WhyNot(strokes) is { } why)
        {
            throw Refuse.Value("strokes", why);
        }
        if (!told.SequenceEqual(read ?? []))
        {
            throw Refuse.Value(
                "told",
                "What there is to tell has changed meanwhile: read it again, then sign."
            );
        }
        work.Add(
            new Signature
            {
                Id = id,
                Name = who,
                As = signer,
                Told = told,
                Strokes = [.. strokes.Where(s => s.Count > 0)],
                OfferId = offer,
                PersonId = work.PersonId,
                At = work.Now,
            }
        );
    }

    /// <summary>Why strokes are no signature; null where they are one.</summary>
    /// <param name="strokes">What was drawn.</param>
    public static string? WhyNot(IReadOnlyList<IReadOnlyList<int>>? strokes) =>
        strokes is null || strokes.Sum(s => s?.Count ?? 0) < 8
            ? "Nothing was drawn: sign in the field."
        : strokes.Sum(s => s.Count) > Most
            ? "That is too much for a signature: clear it and sign again."
        : strokes.Any(s =>
            s.Count % 2 != 0
            || s.Where((_, i) => i % 2 == 0).Any(x => x is < 0 or > Width)
            || s.Where((_, i) => i % 2 == 1).Any(y => y is < 0 or > Height)
        )
            ? "This was drawn outside the field: clear it and sign again."
        : null;
}

/// <summary>Signs what was told at the hand-over.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the signature.</param>
/// <param name="Name">Who signs.</param>
/// <param name="As">As what.</param>
/// <param name="Told">The sentences that the signer had in view: signed is what was read.</param>
/// <param name="Strokes">What was drawn.</param>
public sealed record Sign(
    Guid CommandId,
    Guid Id,
    [property: Personal] string Name,
    SignedAs As,
    IReadOnlyList<string> Told,
    [property: Personal] IReadOnlyList<IReadOnlyList<int>> Strokes
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "signed";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var told = ToldToDriver.Of(d, JobEvaluator.Evaluate(d), work.Context.Style);
        if (told.Count == 0)
        {
            throw Refuse.Gate("told", "Nothing was fitted: there is nothing to sign yet.");
        }
        if (!Enum.IsDefined(As))
        {
            throw Refuse.Value("as", "The owner, who drives it away, or the shop.");
        }
        Signature.Under(work, told, Told, Id, Name, As, Strokes);
    }
}
