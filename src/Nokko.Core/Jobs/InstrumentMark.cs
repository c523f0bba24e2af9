using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>Why what was read with an instrument is looked at with doubt.</summary>
public enum InstrumentDoubt
{
    /// <summary>Its check was overdue when it was used.</summary>
    Overdue,

    /// <summary>Something had happened to it, and nobody has checked it since.</summary>
    Mishap,

    /// <summary>A later check found that it errs otherwise than was known when it was used.</summary>
    FoundOff,
}

/// <summary>What is found out later, or was overdue, about an instrument with which something of this job was read. It changes no number.</summary>
/// <param name="InstrumentId">The instrument.</param>
/// <param name="Name">What stood on it.</param>
/// <param name="Kind">What sort of instrument.</param>
/// <param name="Doubt">Why.</param>
/// <param name="On">The day on which it was due, on which something happened, or on which it was found off.</param>
/// <param name="What">What happened, as it was noted; null otherwise.</param>
/// <param name="Off">By how much it says more than was known, in mm, ° or as a share; null unless it was found off.</param>
/// <param name="RestsOn">Readings and passes over joints that are meant.</param>
public sealed record InstrumentMark(
    Guid InstrumentId,
    string Name,
    InstrumentKind Kind,
    InstrumentDoubt Doubt,
    DateOnly On,
    string? What,
    Quantity? Off,
    IReadOnlyList<Guid> RestsOn
)
{
    /// <summary>The marks on a job.</summary>
    /// <param name="d">The job; what was read on earlier visits of its vehicle is marked, too.</param>
    /// <param name="register">The instruments that it names, as they are known now.</param>
    public static IReadOnlyList<InstrumentMark> Of(
        JobDocument d,
        IReadOnlyList<Instrument> register
    )
    {
        var standing = d.WalkRounds.SelectMany(w => StanceOf.Standing(w, d.Readings));
        var used = standing
            .Where(r => r is { By: not null, Value: not null })
            .Select(r => (r.Id, By: r.By!, At: r.TakenAt))
            .Concat(
                d.TorqueEntries.Where(t => t.By is not null).Select(t => (t.Id, By: t.By!, t.At))
            );
        return
        [
            .. used.Select(u => (u.Id, Mark: Of(u.By, u.At, register)))
                .Where(u => u.Mark is not null)
                .GroupBy(u => u.Mark!, u => u.Id)
                .Select(g => g.Key with { RestsOn = [.. g.Order()] })
                .OrderByDescending(m => m.Doubt)
                .ThenBy(m => m.Name, StringComparer.Ordinal)
                .ThenBy(m => m.On),
        ];
    }

    /// <summary>Whether the vehicle leaves with it only in writing.</summary>
    public bool Stops() => Doubt is InstrumentDoubt.Mishap or InstrumentDoubt.FoundOff;

    private static InstrumentMark? Of(
        ReadBy by,
        DateTimeOffset at,
        IReadOnlyList<Instrument> register
    )
    {
        var day = DateOnly.FromDateTime(at.UtcDateTime);
        if (register.FirstOrDefault(i => i.Id == by.Id) is { } now)
        {
            var counted = now.Checks.FirstOrDefault(c => c.Id == by.CheckId);
            // The first check that did not count yet tells how it was when it was used.
            var next = now
                .Checks.Where(c =>
                    c.On >= day && c.Id != by.CheckId && (counted is null || c.At > counted.At)
                )
                .OrderBy(c => c.On)
                .ThenBy(c => c.At)
                .FirstOrDefault();
            if (next is not null)
            {
                var (error, u) = InstrumentRules.Error(now.Kind, next);
                var off = error - by.Error;
                return Math.Abs(off) > 2 * Math.Sqrt((u * u) + (by.U * by.U))
                    ? new(
                        by.Id,
                        by.Name,
                        by.Kind,
                        InstrumentDoubt.FoundOff,
                        next.On,
                        null,
                        new Quantity
                        {
                            Value = off,
                            Unit = InstrumentRules.IsShare(now.Kind)
                                ? Unit.One
                                : InstrumentRules.UnitOf(now.Kind),
                            Known = Known.Measured,
                        },
                        []
                    )
                    : null;
            }
            if (now.DoubtedAt(at, counted) is { } mishap)
            {
                return new(
                    by.Id,
                    by.Name,
                    by.Kind,
                    InstrumentDoubt.Mishap,
                    DateOnly.FromDateTime(mishap.At.UtcDateTime),
                    mishap.What,
                    null,
                    []
                );
            }
        }
        return by.DueOn < day
            ? new(by.Id, by.Name, by.Kind, InstrumentDoubt.Overdue, by.DueOn.Value, null, null, [])
            : null;
    }
}
