using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Papers;

/// <summary>What of a person stands on a record.</summary>
/// <param name="Plate">Whether plate and VIN do.</param>
/// <param name="Contact">Whether the owner's phone or mail does.</param>
/// <param name="Pictures">Whether the photographs do.</param>
public sealed record Shown(bool Plate, bool Contact, bool Pictures)
{
    /// <summary>On the shop's own paper.</summary>
    public static Shown OwnPaper { get; } = new(true, false, true);
}

/// <summary>The record of a job: one page for its owner and an inspector, and annexes.</summary>
public static partial class RecordPaper
{
    private const string Foot =
        "Rules on lift, lamps and bumpers differ by place: check them. ± is at k = 2, about 95 %.";

    /// <summary>Writes it.</summary>
    /// <param name="d">The job.</param>
    /// <param name="results">What was computed from it.</param>
    /// <param name="reader">Who reads it.</param>
    /// <param name="shown">What of a person stands on it.</param>
    public static Paper Of(JobDocument d, JobResults results, PaperReader reader, Shown shown)
    {
        var plan = d.BegunPlan();
        var proof = results.Proofs.FirstOrDefault(p => p.PlanId == plan?.Id);
        PaperSection[] sections =
        [
            Heights(d, results, reader),
            Geometry(d, results, proof, reader),
            Fitted(d, plan, proof, reader),
            new("What became of the old parts") { Lines = CameOff(d.OffLines) },
            Drives(d),
            new("Open lines") { Lines = OrNone(Progress.OpenLinesOf(d), "None.") },
            new("Done otherwise than the sheet says")
            {
                Lines = OrNone(
                    [
                        .. d.Deviations.Select(x =>
                            $"{x.Where}: {x.SheetSays} {x.Did} Because: {x.Why}"
                        ),
                    ],
                    "Nothing."
                ),
            },
            new("To come")
            {
                Lines = OrNone(
                    [
                        .. d
                            .FollowUps.OrderBy(f => f.DueOn)
                            .Select(f => $"{f.What}: {(f.DoneAt is null ? Due(f) : "done")}"),
                    ],
                    "Not agreed yet."
                ),
            },
            new("Left to licensed shops") { Lines = Licensed(d) },
            new("For the owner") { Lines = Lines(d.Job.OwnerNotes) },
            Told(d, results, reader),
            .. Agreed(d, plan, reader),
            Torques(d, plan, shown) with
            {
                Annex = true,
            },
            new("Cut and drilled") { Lines = Cuts(d, reader), Annex = true },
            new("Marks made")
            {
                Lines = [.. d.Marks.Select(m => $"{m.Where}: {m.What}")],
                Annex = true,
            },
            new("Readings corrected") { Lines = Corrected(d), Annex = true },
            new("Not measured") { Lines = Progress.NotMeasuredOf(d, results), Annex = true },
            new("Photographs")
            {
                Pictures = shown.Pictures
                    ?
                    [
                        .. d.Attachments.Select(
                            (a, i) =>
                                new PaperPicture(a.Sha256, $"{i + 1}: {CaptionOf(d, a, plan)}")
                        ),
                    ]
                    : [],
                Annex = true,
            },
        ];
        return new(
            "Record",
            Heading(d, shown),
            [.. Facts(d, reader, shown), .. Verdict(proof, reader)],
            [.. sections.Where(s => !s.IsEmpty)],
            Foot
        );
    }

    /// <summary>Which vehicle a paper is about.</summary>
    internal static string Heading(JobDocument d, Shown shown) =>
        $"{d.Vehicle.Make} {d.Vehicle.Name}"
        + (
            (shown.Plate ? d.Vehicle.Plate ?? d.Vehicle.Vin : null) is { } plate ? $", {plate}" : ""
        );

    private static IEnumerable<string> Facts(JobDocument d, PaperReader reader, Shown shown)
    {
        string At(Quantity? odometer) => odometer is null ? "" : $" at {reader.Says(odometer)}";
        yield return string.Join(
            " · ",
            new[]
            {
                d.Owner.Name,
                shown.Contact ? d.Owner.Contact : null,
                $"taken in {reader.Day(d.Job.TakenInAt)}{At(d.Job.OdometerIn)}",
                d.Job.HandedOverAt is { } over
                    ? $"handed over {reader.Day(over)}{At(d.Job.OdometerOut)}"
                    : "not handed over yet",
                string.Join(", ", d.Hands().Select(p => p.Name)),
            }.Where(x => !string.IsNullOrEmpty(x))
        );
    }

    private static IEnumerable<string> Verdict(PlanProof? proof, PaperReader reader)
    {
        if (proof is null)
        {
            yield break;
        }
        yield return string.Join(
            " · ",
            new[] { proof.AsWanted?.AsWanted(), proof.AsForetold.AsForetold() }
                .Where(x => x is not null)
                .Distinct()
                .Concat(
                    proof.Target.Select(t =>
                        $"{PaperWords.Targets[t.What]} {reader.Says(t.Now, IsDifference(t.What))}: {t.Reached.OfWish()}"
                    )
                )
        );
    }

    private static PaperSection Heights(JobDocument d, JobResults results, PaperReader reader)
    {
        var first = d.FirstStage();
        var last = d.CurrentStage();
        var before = first is null ? null : JobEvaluator.Speaks(results.WalkRounds, first.Id);
        var after =
            last is null || last.Id == first?.Id
                ? null
                : JobEvaluator.Speaks(results.WalkRounds, last.Id);
        var planned = results.Proofs.FirstOrDefault(p => p.PlanId == d.BegunPlan()?.Id);
        string Name(WalkRoundStance? s) =>
            d.Stages.FirstOrDefault(x => x.Id == s?.StageId)?.Name ?? "not measured";
        var datum = (before?.Datum ?? after?.Datum)?.ToString().ToLowerInvariant() ?? "datum";
        return new($"Heights, fender lip above {datum} (middle stations above the floor)")
        {
            Table = new(
                ["Station", $"Before: {Name(before)}", "Planned", $"After: {Name(after)}", "Lift"],
                [
                    .. from station in d.Vehicle.Stations
                    let a = before?.At(station.Name)
                    let b = after?.At(station.Name)
                    where a is not null || b is not null || Corners.Named(station.Name) is not null
                    let rise = results.SinceFirst?.Rises.FirstOrDefault(r =>
                        r.Station == station.Name
                    )
                    let aim = planned?.Stations.FirstOrDefault(s => s.Station == station.Name)
                    select (IReadOnlyList<string>)
                        [
                            Sentence(Corners.Said(station.Name)),
                            a is null ? "not read" : reader.Says(a.Height),
                            aim is { Planned.Value: not null } ? reader.Says(aim.Planned) : "–",
                            b is null ? "not read" : reader.Says(b.Height),
                            rise is null ? "–" : reader.Says(rise.Rise, true),
                        ],
                ]
            ),
        };
    }

    private static IReadOnlyList<string> OrNone(IReadOnlyList<string> lines, string none) =>
        lines.Count > 0 ? lines : [none];

    private static string[] Lines(string? text) =>
        text?.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
        ?? [];

    internal static string Sentence(string words) =>
        words.Length == 0 ? words : char.ToUpperInvariant(words[0]) + words[1..];

    /// <summary>Whether what was wanted is a difference: zero is level.</summary>
    private static bool IsDifference(string what) =>
        what.StartsWith("rake", StringComparison.Ordinal)
        || what.StartsWith("lean", StringComparison.Ordinal);

    /// <summary>When a follow-up is due: by a day, at an odometer reading, or whichever is first.</summary>
    internal static string Due(FollowUp f) =>
        (f.DueOn, f.DueAt) switch
        {
            ({ } on, { } at) =>
                $"by {PaperReader.Day(on)} or at {PaperReader.Odometer(at)}, whichever is first",
            ({ } on, null) => $"by {PaperReader.Day(on)}",
            (null, { } at) => $"at {PaperReader.Odometer(at)}",
            _ => "",
        };
}
