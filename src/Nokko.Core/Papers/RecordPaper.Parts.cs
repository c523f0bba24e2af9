using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Papers;

public static partial class RecordPaper
{
    /// <summary>Everything that was measured beside heights, before, foretold, after, and what is allowed.</summary>
    private static PaperSection Geometry(
        JobDocument d,
        JobResults results,
        PlanProof? proof,
        PaperReader reader
    )
    {
        var first = d.FirstStage();
        var last = d.CurrentStage();
        IReadOnlyList<MeasureValue> Of(Stage? stage) =>
            stage is null ? [] : Latest(results, stage.Id);
        var (before, after) = (Of(first), last?.Id == first?.Id ? [] : Of(last));
        string Value(IEnumerable<MeasureValue> all, (string Measure, string Place) key) =>
            all.FirstOrDefault(m => (m.Measure, m.Place) == key) is { } m
                ? reader.Says(m.Value)
                : "not read";
        return new("Geometry")
        {
            Table = new(
                ["What", "Before", "After", "Allowed"],
                [
                    .. from key in before.Concat(after).Select(m => (m.Measure, m.Place)).Distinct()
                    select (IReadOnlyList<string>)
                        [
                            $"{MeasureValues.Said(key.Measure)}, {Corners.PlaceSaid(key.Place)}",
                            Value(before, key),
                            Value(after, key),
                            AngleRange.Allowed(d.VehicleNow(), key.Measure, key.Place) ?? "–",
                        ],
                ]
            ),
            Lines =
            [
                .. from m in proof?.Moved ?? []
                where m.Measured.Value is not null && m.Kind.Moves() is not null
                select MovedSaid(m, reader),
            ],
        };
    }

    private static string MovedSaid(MovedProof m, PaperReader reader) =>
        (
            m.Where == "vehicle"
                ? Sentence(m.Kind.Moves()!)
                : $"{Sentence(m.Where)}: {m.Kind.Moves()}"
        )
        + (
            m.Foretold.Value is null
                ? ", not foretold"
                : $", foretold {reader.Says(m.Foretold, true)}"
        )
        + $", measured {reader.Says(m.Measured, true)}"
        + m.AsForetold switch
        {
            true => ", as foretold.",
            false => ", otherwise than foretold.",
            null => ".",
        };

    /// <summary>The latest value of every measure at a stage.</summary>
    internal static IReadOnlyList<MeasureValue> Latest(JobResults results, Guid stage) =>
        [
            .. results
                .WalkRounds.Where(w => w.StageId == stage)
                .SelectMany(w => w.Measures)
                .GroupBy(m => (m.Measure, m.Place))
                .Select(g => g.Last()),
        ];

    private static PaperSection Fitted(
        JobDocument d,
        Plan? plan,
        PlanProof? proof,
        PaperReader reader
    )
    {
        string Length(Quantity? q) =>
            q is null ? "unknown" : $"{reader.Says(q)} ({q.Known.Said()})";
        // Of every pass of this job: what a later one left alone is still under the vehicle.
        var conversions =
            from p in d.Plans
            where d.Stages.Any(s => s.Id == p.ToStageId && s.JobId == d.Job.Id)
            from c in p.Conversions ?? []
            select $"{Sentence(c.Axle.Said())}: {c.To.Kind.Said()}{(c.To.Sheet is { } sheet ? $", by {sheet}" : "")}, in the place of {d.Stages.First(s => s.Id == p.FromStageId).SuspensionOf(c.Axle).Kind.Said()}.";
        return new("Parts fitted")
        {
            Table = new(
                ["Corner", "Part", "Thickness", "Claim"],
                [
                    .. from stack in plan?.Stacks ?? []
                    from part in stack.Parts
                    select (IReadOnlyList<string>)
                        [
                            stack.Corner.Name(),
                            $"{part.Name} {part.Number}".Trim(),
                            Length(part.Thickness),
                            Length(part.Claim),
                        ],
                ]
            ),
            Lines =
            [
                .. conversions,
                .. from kit in d.Kits
                where kit.PlanId == plan?.Id
                select $"{$"{kit.Name} {kit.Number}".Trim()}: {string.Join("; ", kit.Pieces.Select(PieceSaid))}.",
                .. from kit in proof?.Kits ?? []
                select $"{kit.Kit} claims {LengthText.Show(kit.ClaimMm, reader.Lengths)} {(kit.Axle is { } axle ? $"at the {axle.Said()}" : "as a whole")}: {reader.Says(kit.Came, true)} came{(kit.Kept == false ? ", less than claimed" : "")}{(kit.But.Count > 0 ? $" ({string.Join(", ", kit.But)})" : "")}.",
                .. from lift in proof?.Lifts ?? []
                select $"{Sentence(lift.Axle.Said())} lips in this pass: {reader.Says(lift.Measured, true)}.",
            ],
        };
    }

    private static string PieceSaid(KitPiece p) =>
        $"{p.Count} {p.Name}"
        + p.End switch
        {
            KitPieceEnd.Used => "",
            KitPieceEnd.LeftOut => $", left out: {p.Why}",
            _ when p.Found is null => ", not counted",
            _ => p.Missing > 0 ? $", {p.Missing} missing" : ", not used yet",
        };

    /// <summary>Old parts by name as far as they are not back where they were; those are counted.</summary>
    private static IReadOnlyList<string> CameOff(IReadOnlyList<OffLine> lines)
    {
        var back = lines.Count(o => o.Fate == Fate.RefitHere);
        return
        [
            .. lines
                .Where(o => o.Fate != Fate.RefitHere)
                .Select(o =>
                    o.Fate is not { } fate
                        ? $"{o.What}: off, not back"
                        : $"{o.What}: {fate.Said()}{(string.IsNullOrEmpty(o.FateNote) ? "" : $", {o.FateNote}")}"
                ),
            .. back == 0
                ? []
                : new[]
                {
                    $"Back where {(back == 1 ? "it was: 1 piece" : $"they were: {back} pieces")}.",
                },
        ];
    }

    /// <summary>Troubles before and after; what was fine both times is said in a line.</summary>
    private static PaperSection Drives(JobDocument d)
    {
        var tried = RoadCompared
            .Of(d)
            .Where(q => q.Before is not null || q.After is not null)
            .ToLookup(q => q.Change == RoadChange.Fine);
        return new("Road test")
        {
            Table = new(
                ["Trouble", "Before", "After", "What came of it"],
                [
                    .. tried[false]
                        .Select(q =>
                            (IReadOnlyList<string>)
                                [
                                    q.Question.Said(),
                                    Answer(q.Before),
                                    Answer(q.After),
                                    q.Change?.Said() ?? "not tried again",
                                ]
                        ),
                ]
            ),
            Lines = tried[true].Any()
                ?
                [
                    $"Tried after the work, and not so: {string.Join(", ", tried[true].Select(q => q.Question.Said().ToLowerInvariant()))}.",
                ]
                : [],
        };

        static string Answer(RoadAnswer? a) =>
            a is null ? "not tried"
            : a.Note is { } note ? $"{a.Trouble.Said()}: {note}"
            : a.Trouble.Said();
    }

    private static IReadOnlyList<string> Licensed(JobDocument d) =>
        [
            .. d
                .FollowUps.Where(f =>
                    f.What.Contains(FollowUpSuggestion.Licensed, StringComparison.Ordinal)
                )
                .Select(f => $"{f.What}. {f.Why}".Trim()),
        ];

    private static PaperSection Told(JobDocument d, JobResults results, PaperReader reader) =>
        new("Told to whoever drives it away")
        {
            // Signed is what was read then.
            Lines =
                d.SignedNow().LastOrDefault()?.Told ?? ToldToDriver.Of(d, results, reader.Lengths),
            Signatures = [.. d.SignedNow().Select(s => Drawn(s, reader))],
        };

    /// <summary>A signature on paper.</summary>
    internal static PaperSignature Drawn(Signature s, PaperReader reader) =>
        new($"{s.Name}, {s.As.Said()}", reader.Day(s.At), s.Strokes);

    /// <summary>What the owner chose of the quote, and signed, before the work.</summary>
    private static IEnumerable<PaperSection> Agreed(
        JobDocument d,
        Plan? plan,
        PaperReader reader
    ) =>
        from s in d.Signatures
        where plan is not null && s.OfferId is { } offer && offer == d.Agreed(plan)?.Id
        select new PaperSection("Agreed before the work")
        {
            Lines = s.Told,
            Signatures = [Drawn(s, reader)],
            Annex = true,
        };

    private static PaperSection Torques(JobDocument d, Plan? plan, Shown shown)
    {
        // By their numbers among the photographs.
        string Seen(Joint joint)
        {
            var of = d
                .Attachments.Select((a, i) => (a.Of, Number: i + 1))
                .Where(a => a.Of == $"joint:{joint.Id}")
                .Select(a => a.Number)
                .ToArray();
            return shown.Pictures && of.Length > 0
                ? $" (photograph{(of.Length > 1 ? "s" : "")} {string.Join(", ", of)})"
                : "";
        }
        var card = Progress.CardOf(d);
        var rows = d.Joints.DistinctBy(j => j.Place).ToDictionary(j => j.Place);
        return new("Torques")
        {
            Table = new(
                ["Joint", "Made", "With its wheels", "By", "Asked for"],
                [
                    .. from line in card.Joints
                    let joint = rows.GetValueOrDefault(line.Place)
                    where joint is not null
                    // What is not final stands among the open lines, with why.
                    let entry = d.PassesOver(joint.Id, plan?.Id) is [.., var last] ? last : null
                    where entry is { Pass: Pass.Final }
                    let open = FittingRules.Open(
                        joint,
                        d.PassesOver(joint.Id, plan?.Id),
                        d.TorqueBand()
                    )
                    select (IReadOnlyList<string>)
                        [
                            joint.Place + Seen(joint),
                            (
                                entry.Value is { } made ? PaperWords.Torque(made)
                                : entry.CriterionSeen ? "seen"
                                : "final"
                            )
                                + (
                                    entry.Angle is { } turned
                                        ? $" and {turned.In(Unit.Degree):0}°"
                                        : ""
                                )
                                + (open is null ? "" : $"; open: {open}"),
                            entry.Position.Said(),
                            d.People.FirstOrDefault(p => p.Id == entry.PersonId)?.Name ?? "",
                            joint.Spec is { } spec
                                ? $"{(spec.Torque is { } asked ? PaperWords.Torque(asked) : spec.Criterion)} ({spec.Source})"
                                : "no spec",
                        ],
                ]
            ),
        };
    }

    private static IReadOnlyList<string> Cuts(JobDocument d, PaperReader reader) =>
        [
            .. d.Cuts.Select(c =>
                $"{c.Where}: {c.Count} × {c.What}, {c.Kind.Said()}{(c.Size is { } size ? $" {reader.Says(size)}" : "")}, {reader.Says(c.Distance)} from {c.From}"
            ),
            .. d
                .Steps.Where(s => s.AgreedBy is not null)
                .Select(s => $"Agreed for the owner: {s.AgreedBy}, {reader.Time(s.At)}"),
        ];

    /// <summary>Readings that were corrected: the first value and the one that took its place.</summary>
    private static IReadOnlyList<string> Corrected(JobDocument d)
    {
        var people = d.People.ToDictionary(p => p.Id, p => p.Name);
        return
        [
            .. from now in d.Readings
            join was in d.Readings on now.Supersedes equals (Guid?)was.Id
            let place = was.Place.Name ?? ""
            let what = was.Measure is { } measure
                ? $"{MeasureValues.Said(measure)}, {Corners.PlaceSaid(place)}"
                : $"{Sentence(Corners.PlaceSaid(place))}, {was.OwnMark ?? was.From?.ToString().ToLowerInvariant()}"
            select $"{what}: {Text(was)}, {(now.IsTakenBack() ? "taken back" : $"corrected to {Text(now)}")}{(people.GetValueOrDefault(now.PersonId) is { } by ? $" by {by}" : "")}. {now.Reason}",
        ];

        static string Text(WalkRounds.Reading r) =>
            r.Skipped ? $"passed over, {r.Note}"
            : r.Value is { } value ? value.AsTyped()
            : r.Note ?? "";
    }

    /// <summary>What a photograph shows: the place or joint that it belongs to and its caption; one of the vehicle as a whole, whether before the work or since.</summary>
    private static string CaptionOf(JobDocument d, Attachment a, Plan? plan)
    {
        var of = a.Of?.Split(':', 2) is [_, var name]
            ? Guid.TryParse(name, out var id)
                ? d.Joints.FirstOrDefault(j => j.Id == id)?.Place
                    ?? d.Marks.FirstOrDefault(m => m.Id == id)?.What
                : name
            : null;
        return string.Join(", ", new[]
            {
                of,
                a.Caption,
                a.Of is not null || plan?.BegunAt is not { } begun ? null
                : a.At < begun ? "before the work"
                : "since the work began",
            }.Where(x => !string.IsNullOrEmpty(x)).Distinct());
    }
}
