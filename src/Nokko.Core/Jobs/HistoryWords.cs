using System.Text.Json;
using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Core.Week;

namespace Nokko.Core.Jobs;

/// <summary>What a change was about, so that a history can be read: which reading, which joint, which step.</summary>
public static class HistoryWords
{
    /// <summary>Most things that are named; further ones are counted.</summary>
    private const int Most = 3;

    /// <summary>What a change was about; empty where nothing is kept of it, or there is nothing to name.</summary>
    /// <param name="d">The job as it is now: rows that are gone are named by what was kept of them.</param>
    /// <param name="changes">What it changed.</param>
    /// <param name="style">How lengths are written.</param>
    public static string About(
        JobDocument d,
        IReadOnlyList<RecordedChange> changes,
        LengthStyle style
    ) => Listed(changes.Select(c => Row(c) is { } row ? Of(d, row, style) : null));

    /// <summary>What changes were about of which nothing is kept, because they came in with a file: told by the instant at which their rows were stored, where that leaves no doubt.</summary>
    /// <param name="d">The job.</param>
    /// <param name="style">How lengths are written.</param>
    public static IReadOnlyDictionary<Guid, string> ByInstant(JobDocument d, LengthStyle style)
    {
        var stored = Stored(d).ToLookup(x => x.At, x => x.Row);
        var said = new Dictionary<Guid, string>();
        foreach (var entries in d.History.GroupBy(h => h.At))
        {
            HistoryEntry[] mine = [.. entries.OrderBy(h => h.Id)];
            IRow[] rows = [.. stored[entries.Key].OrderBy(r => r.Id)];
            foreach (var (entry, i) in mine.Select((h, i) => (h, i)))
            {
                IRow[] its =
                    mine.Length == 1 ? rows
                    : rows.Length == mine.Length ? [rows[i]]
                    : [];
                said[entry.Id] = Listed(its.Select(r => Of(d, r, style)));
            }
        }
        return said;
    }

    private static IEnumerable<(DateTimeOffset At, IRow Row)> Stored(JobDocument d) =>
        [
            .. d.Readings.Select(r => (r.StoredAt, (IRow)r)),
            .. d.TorqueEntries.Select(t => (t.At, (IRow)t)),
            .. d.Steps.Select(s => (s.At, (IRow)s)),
            .. d
                .OffLines.Where(o => o.ClosedAt is not null)
                .Select(o => (o.ClosedAt!.Value, (IRow)o)),
            .. d.Marks.Select(m => (m.At, (IRow)m)),
            .. d.Deviations.Select(x => (x.At, (IRow)x)),
            .. d.WalkRounds.Select(w => (w.At, (IRow)w)),
            .. d.Cuts.Select(c => (c.At, (IRow)c)),
            .. d.Looks.Select(l => (l.At, (IRow)l)),
            .. d.Attachments.Select(a => (a.At, (IRow)a)),
            .. d.CheckedCauses.Select(c => (c.At, (IRow)c)),
            .. d.RoadTests.Select(t => (t.At, (IRow)t)),
            .. d.Quotes.Select(q => (q.At, (IRow)q)),
            .. d.Bookings.Select(b => (b.At, (IRow)b)),
            .. d.Stages.Select(s => (s.OpenedAt, (IRow)s)),
        ];

    private static string Listed(IEnumerable<string?> words)
    {
        string[] said = [.. words.OfType<string>().Where(s => s.Length > 0).Distinct()];
        return said.Length <= Most
            ? string.Join("; ", said)
            : $"{string.Join("; ", said.Take(Most))}; and {said.Length - Most} more";
    }

    private static IRow? Row(RecordedChange change)
    {
        if (JobRows.Find(change.List) is not { } list || (change.Now ?? change.Was) is not { } json)
        {
            return null;
        }
        try
        {
            return (IRow?)json.Deserialize(list.Type, JobJson.Options);
        }
        catch (JsonException)
        {
            // What says who somebody is was left out: such a row has no words here.
            return null;
        }
    }

    private static string? Of(JobDocument d, IRow row, LengthStyle style) =>
        row switch
        {
            Reading r => $"{Where(r)} {Value(r)}",
            TorqueEntry t =>
                $"{JointOf(d, t.JointId)}{(t.Value is { } v ? $", {v.AsTyped()}" : "")}",
            Look l => JointOf(d, l.JointId),
            Joint j => j.Place,
            StepEntry s => s.Work ?? s.Step,
            OwnStep s => s.Title,
            OffLine o => o.What,
            Mark m => $"{m.Where}, {m.What}",
            Deviation x => $"{x.Where}: {x.Why}",
            Promised p => p.What,
            FollowUp f => f.What,
            Cut c => $"{c.Count} × {c.What}",
            Plan p => p.Name,
            Kit k => k.Name,
            Stage s => s.Name,
            WalkRound w => d.Stages.FirstOrDefault(s => s.Id == w.StageId)?.Name,
            Attachment a => a.Caption ?? a.Of,
            CheckedCause c => CauseWords.Said(c.Kind, c.Where),
            RoadTest t => string.Join(
                ", ",
                t.Answers.Where(a => a.Trouble != RoadTrouble.None).Select(a => a.Question.Said())
            ),
            Quote q => q.Chosen()?.Name ?? string.Join(", ", q.Offers.Select(o => o.Name)),
            Booking b => WeekWords.Said(b),
            Job j => Wished(j.Target, style),
            _ => null,
        };

    private static string Where(Reading r)
    {
        var place = r.Place.Name is { } name ? Corners.PlaceSaid(name) : "";
        return r.Measure is { } key
            ? $"{MeasureValues.Said(key)}, {place}:"
            : $"{place}{(r.From is { } from ? $" from {from.ToString().ToLowerInvariant()}" : "")}:";
    }

    private static string Value(Reading r) =>
        r.Skipped ? $"passed over, {r.Note}"
        : r.IsTakenBack() ? "taken back"
        : r.Value is { } q ? q.AsTyped()
        : r.Note ?? "";

    private static string JointOf(JobDocument d, Guid joint) =>
        d.Joints.FirstOrDefault(j => j.Id == joint)?.Place ?? "";

    private static string Wished(Target target, LengthStyle style) =>
        target.Rake is { } rake ? $"rake {LengthText.Show(rake.In(Unit.Mm), style)}"
        : (target.LeastFrontLift ?? target.LeastRearLift) is { } lift
            ? $"lift {LengthText.Show(lift.In(Unit.Mm), style)}"
        : "";
}
