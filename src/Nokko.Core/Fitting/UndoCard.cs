using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>Something that stays as it is when a fitting is undone, or costs a new part.</summary>
/// <param name="Where">Corner, axle or vehicle.</param>
/// <param name="What">What.</param>
/// <param name="Why">Why it cannot be undone.</param>
public sealed record StaysDone(string Where, string What, string Why);

/// <summary>What it takes to bring a vehicle back to how it was before a fitting: the same operations backwards, as far as they were done.</summary>
/// <param name="Card">The card from what is fitted to what was there before.</param>
/// <param name="Stays">What cannot be undone, and why.</param>
/// <param name="Gone">Pieces of before that are not kept: they must be had anew.</param>
/// <param name="NewAgain">Fasteners that must be new once more.</param>
/// <remarks>Source: docs/computation/job-card.md#undo.</remarks>
public sealed record UndoCard(
    JobCard Card,
    IReadOnlyList<StaysDone> Stays,
    IReadOnlyList<string> Gone,
    IReadOnlyList<string> NewAgain
)
{
    /// <summary>Derives it.</summary>
    /// <param name="before">The stage before the fitting.</param>
    /// <param name="after">The stage that it made.</param>
    /// <param name="forward">The card by which it was fitted.</param>
    /// <param name="done">Its steps that were done.</param>
    /// <param name="cuts">What was cut or drilled.</param>
    /// <param name="off">What came off.</param>
    /// <param name="vehicle">The vehicle as it is now.</param>
    /// <param name="equipment">How it is lifted.</param>
    /// <param name="schools">The ways that are followed.</param>
    /// <param name="kept">What is kept of its joints.</param>
    /// <param name="converted">Axles that got another suspension.</param>
    public static UndoCard Of(
        Stage before,
        Stage after,
        JobCard forward,
        IReadOnlySet<string> done,
        IReadOnlyList<Cut> cuts,
        IReadOnlyList<OffLine> off,
        Vehicle vehicle,
        Equipment equipment,
        FittingSchools schools,
        IReadOnlyList<Joint> kept,
        IReadOnlyList<Axle> converted
    )
    {
        var back = JobCard.Derive(
            after,
            new Plan
            {
                Id = after.Id,
                Name = "back",
                FromStageId = after.Id,
                Stacks = before.Stacks,
                Conversions =
                    converted.Count == 0
                        ? null
                        :
                        [
                            .. converted.Select(a => new AxleConversion
                            {
                                Axle = a,
                                To = before.SuspensionOf(a),
                            }),
                        ],
            },
            vehicle,
            equipment,
            schools,
            [.. kept.Where(j => j.AddedUnder is null)]
        );
        return new UndoCard(
            // Nothing is cut or drilled on the way back.
            back with
            {
                Steps = [.. back.Steps.Where(s => s.HoldFor != HoldReason.Irreversible)],
            },
            [
                .. forward
                    .Steps.Where(s =>
                        s.HoldFor == HoldReason.Irreversible
                        && done.Contains(s.Key)
                        && cuts.All(c => c.Where != s.Where)
                    )
                    .Select(s => new StaysDone(
                        s.Where,
                        "what was cut or drilled, not noted where",
                        s.Caution!
                    )),
                .. cuts.Select(c => new StaysDone(
                    c.Where,
                    Said(c),
                    c.Kind == CutKind.Drill
                        ? "A hole stays."
                        : "What was cut off does not grow back."
                )),
            ],
            [
                .. off.Where(o => o.Fate is Fate.Scrap or Fate.Replaced or Fate.RefitElsewhere)
                    .Select(o =>
                        $"{o.What}: {(o.Fate switch
                        {
                            Fate.Scrap => "scrap",
                            Fate.Replaced => "replaced",
                            _ => "fitted elsewhere",
                        })}{(o.FateNote is { } note ? $", {note}" : "")}"
                    ),
            ],
            [
                .. back.Joints.SelectMany(j =>
                    j.Fasteners.Where(f => f.NewPartOnly)
                        .Select(f => $"{j.Place}: {f.Count} × {f.Position}")
                ),
            ]
        );
    }

    /// <summary>A cut as said: how many, of what, from where, how far.</summary>
    public static string Said(Cut cut) =>
        $"{cut.Count} × {cut.What}, {(cut.Kind switch
        {
            CutKind.Cut => "cut",
            CutKind.Drill => cut.Size is { } hole ? $"drilled {Said(hole)}" : "drilled",
            CutKind.Trim => "trimmed",
            _ => throw new ArgumentOutOfRangeException(nameof(cut), cut.Kind, "No cut."),
        })} {Said(cut.Distance)} from {cut.From}";

    /// <summary>A size as it was typed: a hole's is never rounded to another drill.</summary>
    private static string Said(Quantity size) =>
        FormattableString.Invariant($"{size.Value:0.###} {size.Unit}");
}
