using System.Text.Json;
using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

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
    )
    {
        string[] said =
        [
            .. changes
                .Select(c => Row(c) is { } row ? Of(d, row, style) : null)
                .OfType<string>()
                .Where(s => s.Length > 0)
                .Distinct(),
        ];
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
                $"{JointOf(d, t.JointId)}{(t.Value is { } v ? $", {v.Typed ?? $"{v.Value:0.#}"} {v.Unit.Symbol}" : "")}",
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
            Job j => Wished(j.Target, style),
            _ => null,
        };

    private static string Where(Reading r)
    {
        var place = r.Place.Name is { } name ? Corners.PlaceSaid(name) : "";
        return r.Measure is { } key
            ? $"{Measures.All.FirstOrDefault(m => m.Key == key)?.Title ?? key}, {place}:"
            : $"{place}{(r.From is { } from ? $" from {from.ToString().ToLowerInvariant()}" : "")}:";
    }

    private static string Value(Reading r) =>
        r.Skipped ? $"passed over, {r.Note}"
        : r.IsTakenBack() ? "taken back"
        : r.Value is { } q ? $"{q.Typed ?? $"{q.Value:0.##}"} {q.Unit.Symbol}"
        : r.Note ?? "";

    private static string JointOf(JobDocument d, Guid joint) =>
        d.Joints.FirstOrDefault(j => j.Id == joint)?.Place ?? "";

    private static string Wished(Target target, LengthStyle style) =>
        target.Rake is { } rake ? $"rake {LengthText.Show(rake.In(Unit.Mm), style)}"
        : (target.LeastFrontLift ?? target.LeastRearLift) is { } lift
            ? $"lift {LengthText.Show(lift.In(Unit.Mm), style)}"
        : "";
}
