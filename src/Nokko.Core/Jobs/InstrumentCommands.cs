using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>Puts an instrument into the shop's register, or mends what stands there of it.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The instrument.</param>
/// <param name="Version">Version of the row as it was seen; null for a new one.</param>
/// <param name="Instrument">What sort of instrument; of one that is there it stays.</param>
/// <param name="Name">What stands on it.</param>
/// <param name="Serial">Its maker's number.</param>
/// <param name="CheckDays">After how many days a check is due; null is the rule of thumb.</param>
/// <param name="PutAway">Whether it is put away for good.</param>
public sealed record SaveInstrument(
    Guid CommandId,
    Guid Id,
    uint? Version,
    InstrumentKind Instrument,
    string Name,
    string? Serial,
    int? CheckDays,
    bool PutAway = false
) : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "instrument kept";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        if (!Enum.IsDefined(Instrument))
        {
            throw Refuse.Value("instrument", "What sort of instrument is it?");
        }
        if (CheckDays is < 1 or > InstrumentRules.MostDays)
        {
            throw Refuse.Value("checkDays", "From 1 day to 10 years.");
        }
        var now = new Instrument
        {
            Id = Id,
            Kind = shop.Instrument?.Kind ?? Instrument,
            Name = TypedText.Needed(Name, "name", "What stands on it? Give it a number."),
            Serial = TypedText.Line(Serial, "serial"),
            CheckDays = CheckDays ?? InstrumentRules.UsualDays,
            Checks = shop.Instrument?.Checks ?? [],
            Mishaps = shop.Instrument?.Mishaps ?? [],
            PutAwayAt = PutAway ? shop.Instrument?.PutAwayAt ?? context.Now : null,
        };
        if (shop.InstrumentNames.Contains(now.Name, StringComparer.OrdinalIgnoreCase))
        {
            throw Refuse.Value(
                "name",
                $"There is another {now.Name}: readings would not say which."
            );
        }
        if (shop.Instrument is not { } was)
        {
            return [new RowChange.Added(now)];
        }
        if (context.Versions.TryGetValue(was.Id, out var version) && version != Version)
        {
            throw Refuse.Conflict(
                "version",
                "Somebody else changed this instrument meanwhile. Look at both and choose.",
                was.Id,
                was
            );
        }
        return [new RowChange.Replaced(was, now)];
    }
}

/// <summary>Notes what a check of an instrument found. Readings that are taken from now on are corrected by it; older ones stay as they are, and are marked where it matters.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The instrument.</param>
/// <param name="CheckId">Key of the check.</param>
/// <param name="Day">The day on which it was checked.</param>
/// <param name="Against">Against what.</param>
/// <param name="Truth">What that is known to be.</param>
/// <param name="Said">What the instrument said.</param>
/// <param name="Within">The ± of what is known; null is the rule of thumb.</param>
public sealed record CheckInstrument(
    Guid CommandId,
    Guid Id,
    Guid CheckId,
    DateOnly Day,
    string Against,
    QuantityInput? Truth,
    QuantityInput? Said,
    QuantityInput? Within
) : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "instrument checked";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var was = InstrumentWork.There(shop);
        // A day ahead of this clock's own may be today where the shop stands.
        if (Day > DateOnly.FromDateTime(context.Now.UtcDateTime).AddDays(1))
        {
            throw Refuse.Value("day", "That day is still to come.");
        }
        var unit = InstrumentRules.UnitOf(was.Kind);
        var check = new InstrumentCheck
        {
            Id = CheckId,
            On = Day,
            Against = TypedText.Needed(
                Against,
                "against",
                "Against what? A bar with its length, a certificate with its number."
            ),
            Truth =
                QuantityInput.Read(
                    Truth,
                    "truth",
                    unit,
                    positive: InstrumentRules.IsShare(was.Kind)
                ) ?? throw Refuse.Value("truth", "What is it really?"),
            Said =
                QuantityInput.Read(Said, "said", unit, positive: InstrumentRules.IsShare(was.Kind))
                ?? throw Refuse.Value("said", $"What did {was.Name} say?"),
            Within = QuantityInput.Read(Within, "within", unit),
            PersonId = context.PersonId,
            At = context.Now,
        };
        if (InstrumentWork.IsTooFarOff(was.Kind, check))
        {
            throw Refuse.Value(
                "said",
                "Nobody works with an instrument that is so far off. Look at both numbers again, or put it away."
            );
        }
        return
        [
            new RowChange.Replaced(
                was,
                was with
                {
                    Checks = [.. was.Checks.Where(c => c.Id != CheckId), check],
                }
            ),
        ];
    }
}

/// <summary>Notes that an instrument was dropped or bent: what was read with it since is doubted until it is checked.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The instrument.</param>
/// <param name="MishapId">Key of the note.</param>
/// <param name="HappenedAt">When it happened.</param>
/// <param name="What">What happened.</param>
public sealed record NoteMishap(
    Guid CommandId,
    Guid Id,
    Guid MishapId,
    DateTimeOffset HappenedAt,
    string What
) : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "instrument doubted";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var was = InstrumentWork.There(shop);
        var at = Instants.ToMicroseconds(HappenedAt);
        if (at > context.Now.AddMinutes(5))
        {
            throw Refuse.Value("happenedAt", "That is still to come.");
        }
        return
        [
            new RowChange.Replaced(
                was,
                was with
                {
                    Mishaps =
                    [
                        .. was.Mishaps.Where(m => m.Id != MishapId),
                        new InstrumentMishap
                        {
                            Id = MishapId,
                            At = at,
                            What = TypedText.Needed(
                                What,
                                "what",
                                "What happened to it? It stands beside what was read since."
                            ),
                            PersonId = context.PersonId,
                        },
                    ],
                }
            ),
        ];
    }
}

/// <summary>Takes back a check or a mishap that was noted by a slip.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The instrument.</param>
/// <param name="NoteId">The check, or the mishap.</param>
public sealed record DropInstrumentNote(Guid CommandId, Guid Id, Guid NoteId)
    : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "note on an instrument taken back";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var was = InstrumentWork.There(shop);
        var now = was with
        {
            Checks = [.. was.Checks.Where(c => c.Id != NoteId)],
            Mishaps = [.. was.Mishaps.Where(m => m.Id != NoteId)],
        };
        return now.Checks.Count + now.Mishaps.Count < was.Checks.Count + was.Mishaps.Count
            ? [new RowChange.Replaced(was, now)]
            : throw Refuse.Gone("This was taken back already.");
    }
}

/// <summary>What the commands on instruments have in common.</summary>
internal static class InstrumentWork
{
    /// <summary>The instrument that is named.</summary>
    public static Instrument There(ShopState shop) =>
        shop.Instrument ?? throw Refuse.Gone("There is no such instrument in the register.");

    /// <summary>Whether an instrument errs by so much that it is broken, or a number was typed wrongly.</summary>
    public static bool IsTooFarOff(InstrumentKind kind, InstrumentCheck check) =>
        Math.Abs(InstrumentRules.Error(kind, check).Error)
        > (
            InstrumentRules.IsShare(kind) ? 0.25
            : InstrumentRules.UnitOf(kind) == Unit.Mm ? 25
            : 5
        );

    /// <summary>An instrument that came with a file, as somebody could have typed it.</summary>
    /// <exception cref="RefusedException">Something in it cannot be, at its field.</exception>
    public static Instrument Checked(Instrument read)
    {
        _ = TypedText.Needed(read.Name, "name", "What stands on it? Give it a number.");
        if (!Enum.IsDefined(read.Kind))
        {
            throw Refuse.Value("kind", "What sort of instrument is it?");
        }
        if (read.CheckDays is < 1 or > InstrumentRules.MostDays)
        {
            throw Refuse.Value("checkDays", "From 1 day to 10 years.");
        }
        var unit = InstrumentRules.UnitOf(read.Kind);
        foreach (
            var check in read.Checks
                ?? throw Refuse.Value("checks", "There is a gap in its checks.")
        )
        {
            if (
                check is not { Truth: { } truth, Said: { } said, Against: not null }
                || !truth.Unit.SameKind(unit)
                || !said.Unit.SameKind(unit)
                || check.Within?.Unit.SameKind(unit) == false
                || (InstrumentRules.IsShare(read.Kind) && !(truth.Value > 0 && said.Value > 0))
                || IsTooFarOff(read.Kind, check)
            )
            {
                throw Refuse.Value("checks", "A check of it cannot be.");
            }
        }
        return read.Mishaps is null || read.Mishaps.Any(m => m is not { What: not null })
            ? throw Refuse.Value("mishaps", "There is a gap in what happened to it.")
            : read;
    }
}
