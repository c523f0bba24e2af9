namespace Nokko.Core.Jobs;

/// <summary>The keyed rows of a job document.</summary>
public static class JobRows
{
    /// <summary>Keys of every list of rows, by the list's name in the file.</summary>
    public static IEnumerable<(string List, IEnumerable<Guid> Ids)> Ids(JobDocument d) =>
        [
            ("people", d.People.Select(x => x.Id)),
            ("stages", d.Stages.Select(x => x.Id)),
            ("walkRounds", d.WalkRounds.Select(x => x.Id)),
            ("readings", d.Readings.Select(x => x.Id)),
            ("plans", d.Plans.Select(x => x.Id)),
            ("frozenPredictions", d.FrozenPredictions.Select(x => x.Id)),
            ("kits", d.Kits.Select(x => x.Id)),
            ("joints", d.Joints.Select(x => x.Id)),
            ("torqueEntries", d.TorqueEntries.Select(x => x.Id)),
            ("offLines", d.OffLines.Select(x => x.Id)),
            ("steps", d.Steps.Select(x => x.Id)),
            ("supports", d.Supports.Select(x => x.Id)),
            ("marks", d.Marks.Select(x => x.Id)),
            ("orientations", d.Orientations.Select(x => x.Id)),
            ("deviations", d.Deviations.Select(x => x.Id)),
            ("promises", d.Promises.Select(x => x.Id)),
            ("followUps", d.FollowUps.Select(x => x.Id)),
            ("schools", d.Schools.Select(x => x.Id)),
            ("attachments", d.Attachments.Select(x => x.Id)),
            ("history", d.History.Select(x => x.Id)),
        ];

    /// <summary>Keys of all rows that belong to this job alone: everything but people and platform.</summary>
    public static IEnumerable<Guid> RowIds(this JobDocument d) =>
        Ids(d)
            .Where(list => list.List != "people")
            .SelectMany(list => list.Ids)
            .Concat([d.Job.Id, d.Vehicle.Id, d.Owner.Id])
            .Concat(
                d.Stages.SelectMany(s => s.Stacks)
                    .Concat(d.Plans.SelectMany(p => p.Stacks))
                    .SelectMany(s => s.Parts)
                    .Select(p => p.Id)
            )
            .Distinct();
}
