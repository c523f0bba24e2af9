using System.Buffers.Binary;
using System.Security.Cryptography;
using Nokko.Core.Fitting;
using Nokko.Core.Suspension;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>A decision in the making: the job as it is, and the changes so far.</summary>
/// <param name="document">The job.</param>
/// <param name="command">Key of the command.</param>
/// <param name="context">What the decision may know.</param>
internal sealed class JobWork(JobDocument document, Guid command, DecisionContext context)
{
    private readonly List<RowChange> _changes = [];
    private readonly RowKeys _keys = new(command, context.Now);

    /// <summary>The job as it is before the command.</summary>
    public JobDocument Document => document;

    /// <summary>What the decision may know.</summary>
    public DecisionContext Context => context;

    /// <summary>This instant.</summary>
    public DateTimeOffset Now => context.Now;

    /// <summary>Who does it.</summary>
    public Guid PersonId => context.PersonId;

    /// <summary>What the person may do.</summary>
    public PersonRole Role => context.Role;

    /// <summary>The changes so far.</summary>
    public IReadOnlyList<RowChange> Changes => _changes;

    /// <summary>Adds a row.</summary>
    /// <exception cref="RefusedException">A row of this key is there already.</exception>
    public void Add(IRow row)
    {
        if (
            JobRows.ListOf(row.GetType()).Get(document).Any(r => r.Id == row.Id)
            || _changes.Any(c =>
                c is RowChange.Added a && a.Row.Id == row.Id && a.Row.GetType() == row.GetType()
            )
        )
        {
            throw Refuse.Conflict(
                "id",
                "This was stored already. Look at the job as it is now.",
                row.Id,
                null
            );
        }
        _changes.Add(new RowChange.Added(row));
    }

    /// <summary>Puts a row in the place of an older one that only this decision looked at.</summary>
    public void Replace(IRow was, IRow now) => _changes.Add(new RowChange.Replaced(was, now));

    /// <summary>Puts a row in the place of the one that a person saw and edited.</summary>
    /// <param name="was">The row.</param>
    /// <param name="seen">Its version as the person saw it.</param>
    /// <param name="now">The row as it shall be.</param>
    /// <exception cref="RefusedException">Somebody else changed it meanwhile.</exception>
    public void Edit(IRow was, uint? seen, IRow now)
    {
        Seen(was, seen);
        Replace(was, now);
    }

    /// <summary>Takes a row away.</summary>
    public void Withdraw(IRow row) => _changes.Add(new RowChange.Withdrawn(row));

    /// <summary>Refuses when somebody else changed a row since the person saw it.</summary>
    /// <exception cref="RefusedException">It was changed.</exception>
    public void Seen(IRow row, uint? seen)
    {
        if (context.Versions.TryGetValue(row.Id, out var now) && now != seen)
        {
            throw Refuse.Conflict(
                "version",
                "Somebody else changed this meanwhile. Look at both and choose.",
                row.Id,
                row
            );
        }
    }

    /// <summary>Passes a gate with a written reason, which becomes a deviation.</summary>
    /// <param name="where">Where.</param>
    /// <param name="gate">What stands against it.</param>
    /// <param name="did">What is done all the same.</param>
    /// <param name="reason">The reason as typed.</param>
    /// <param name="key">Key of the deviation where the client made one.</param>
    /// <exception cref="RefusedException">There is no reason.</exception>
    public void Pass(string where, string gate, string did, string? reason, Guid? key = null)
    {
        MustAnswer(gate);
        if (TypedText.Blank(reason) is not { } why)
        {
            throw Refuse.Gate("reason", gate);
        }
        Add(
            new Deviation
            {
                Id = key ?? NewKey(),
                Where = where,
                SheetSays = gate,
                Did = did,
                Why = why,
                LookAgain = "at the hand-over",
                PersonId = PersonId,
                At = Now,
            }
        );
    }

    /// <summary>Passes several gates with one reason: it is asked for with all of them in view, so that it never covers one that nobody saw.</summary>
    /// <param name="gates">What stands against it.</param>
    /// <param name="reason">The reason as typed.</param>
    /// <exception cref="RefusedException">There is no reason.</exception>
    public void Pass(IReadOnlyList<Gate> gates, string? reason)
    {
        if (gates.Count > 0)
        {
            MustAnswer(string.Join(" ", gates.Select(g => g.Says)));
        }
        if (gates.Count > 0 && TypedText.Blank(reason) is null)
        {
            throw Refuse.Gate("reason", string.Join(" ", gates.Select(g => g.Says)));
        }
        foreach (var gate in gates)
        {
            Pass(gate.Where, gate.Says, gate.Did, reason);
        }
    }

    /// <summary>The instrument with which something was read, as it is known; null where nobody named one.</summary>
    /// <param name="instrument">Its key.</param>
    /// <param name="of">Unit of what was read.</param>
    /// <param name="at">When it was read.</param>
    /// <exception cref="RefusedException">The shop has no such instrument, or it does not measure that.</exception>
    public ReadBy? By(Guid? instrument, Unit of, DateTimeOffset at)
    {
        if (instrument is not { } id)
        {
            return null;
        }
        var named =
            context.Others.Instruments.FirstOrDefault(i => i.Id == id)
            ?? throw Refuse.Value("instrumentId", "The shop has no such instrument.");
        return InstrumentRules.UnitOf(named.Kind).SameKind(of)
            ? named.At(at)
            : throw Refuse.Value("instrumentId", $"{named.Name} does not measure that.");
    }

    /// <summary>Refuses what only a fitter decides.</summary>
    /// <param name="what">What stands against it, in whole sentences.</param>
    /// <exception cref="RefusedException">The person is an apprentice.</exception>
    public void MustAnswer(string what)
    {
        if (!Role.Answers())
        {
            throw Refuse.Value("", $"{what} A fitter decides that: let one sign in.");
        }
    }

    /// <summary>A key for a row that the client did not name.</summary>
    public Guid NewKey() => _keys.Next();
}

/// <summary>Something that stands against a change until a reason is written.</summary>
/// <param name="Where">Where.</param>
/// <param name="Says">What stands against it.</param>
/// <param name="Did">What is done all the same.</param>
internal sealed record Gate(string Where, string Says, string Did);
