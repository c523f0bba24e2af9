using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Proof;

/// <summary>Judges settled readings.</summary>
/// <remarks>Source: docs/computation/proof.md#verdicts.</remarks>
public static class Prove
{
    /// <summary>Quarters of an inch in mm are not exact in binary; a difference of just the tolerance is within it.</summary>
    private const double Rounding = 1e-9;

    /// <summary>The verdict on a difference.</summary>
    /// <param name="differenceMm">d, mm.</param>
    /// <param name="toleranceMm">T, mm.</param>
    /// <param name="measurementUMm">Standard uncertainty of the measurement, mm; U = 2u.</param>
    /// <param name="decides">Whether the readings are settled and unflagged.</param>
    public static Verdict Judge(
        double differenceMm,
        double toleranceMm,
        double measurementUMm,
        bool decides
    )
    {
        var d = Math.Abs(differenceMm);
        return !decides ? Verdict.MeasureAgain
            : d > toleranceMm + (2 * measurementUMm) + Rounding ? Verdict.NotReached
            // A tape that is wrong by more than the tolerance cannot say that it is within.
            : d <= toleranceMm + Rounding && 2 * measurementUMm <= toleranceMm + Rounding
                ? Verdict.Reached
            : Verdict.MeasureAgain;
    }

    /// <summary>The proof of a plan.</summary>
    /// <param name="plan">A plan whose fitting has begun.</param>
    /// <param name="frozen">Its stored prediction.</param>
    /// <param name="from">The stage before.</param>
    /// <param name="now">The stance after.</param>
    /// <param name="comparison">Before and after compared; null when nothing was measured before.</param>
    /// <param name="sinceFirst">The same against the job's first stage: a lift that is wanted counts over all passes; null is the same as one pass.</param>
    /// <param name="heldBack">Work of this plan that is still open and moves the heights.</param>
    /// <param name="marks">What was done otherwise than it should be and may show in the heights.</param>
    /// <param name="diagonals">What right front and left rear carry after, of 100; null is not weighed.</param>
    /// <param name="evenWithin">Off the half by no more, they are even; of 100.</param>
    /// <param name="kits">Kits of the plan.</param>
    public static PlanProof Of(
        Plan plan,
        FrozenPrediction frozen,
        Stage from,
        WalkRoundStance now,
        Comparison? comparison,
        Comparison? sinceFirst = null,
        IReadOnlyList<string>? heldBack = null,
        IReadOnlyList<string>? marks = null,
        Result? diagonals = null,
        double evenWithin = CrossWeight.EvenWithin,
        IEnumerable<Kit>? kits = null
    )
    {
        heldBack ??= [];
        var tolerance = frozen.Target.Tolerance.In(Unit.Mm);
        var whyNot = now
            .Stations.SelectMany(s => s.Flags.Select(f => $"{Corners.Said(s.Station)}: {f}"))
            .ToList();
        if (!now.Decides && whyNot.Count == 0)
        {
            whyNot.Add(
                "Not settled: a lowered axle reads high, expect to lose about 1/4 in (6 mm). Roll it and read again."
            );
        }
        whyNot.AddRange(now.AgainstEye.Select(StanceWords.AgainstEye));
        whyNot.AddRange(heldBack);
        string[] unread =
        [
            .. Corners
                .All.Where(c => now.At(c.Name()) is null)
                .Select(c => $"The {Corners.Said(c.Name())} was not read in this walk-round."),
        ];
        whyNot.AddRange(unread);
        IReadOnlyList<string> suspects = comparison?.Rigid?.Suspects ?? [];
        var slipped = comparison?.Rigid?.Verdict == RigidVerdict.Slipped;
        var decides = now.Decides && heldBack.Count == 0 && now.AgainstEye.Count == 0;
        var stations = frozen
            .Prediction.Stations.Select(p =>
                Station(
                    p,
                    frozen.Prediction.Datum,
                    now,
                    tolerance,
                    decides && !suspects.Contains(p.Station)
                )
            )
            .ToArray();
        var target = TargetProofs.Of(
            frozen,
            now,
            sinceFirst ?? comparison,
            diagonals ?? Result.No(Unit.One, "All four wheels must be weighed after."),
            evenWithin,
            of => decides && !(slipped && of.Any(Suspected)),
            of => !of.Any(Suspected)
        );
        bool Suspected(Corner corner) => suspects.Contains(corner.Name());
        Verdict Missing(Verdict verdict) =>
            heldBack.Count > 0 || (verdict == Verdict.Reached && unread.Length > 0)
                ? Verdict.CannotTell
            : verdict == Verdict.Reached && slipped ? Verdict.MeasureAgain
            : verdict;
        return new PlanProof
        {
            PlanId = plan.Id,
            WalkRoundId = now.WalkRoundId,
            Decides = decides,
            WhyNot = whyNot,
            HeldBack = heldBack,
            Marks = marks ?? [],
            Stations = stations,
            Target =
                heldBack.Count > 0
                    ? [.. target.Select(t => t with { Reached = Verdict.CannotTell })]
                    : target,
            Lifts = comparison is null ? [] : [.. Lifts(plan, from, comparison)],
            Kits =
                comparison is not null
                && kits
                    ?.SelectMany(k => KitClaim.Of(k, from.Stacks, plan.Stacks, comparison))
                    .ToArray()
                    is { Length: > 0 } claims
                    ? claims
                    : null,
            Comparison = comparison,
            AsWanted =
                target.Count == 0 ? null : Missing(Worst([.. target.Select(t => t.Reached)])),
            AsForetold = Missing(Foretold(stations, decides && !slipped)),
        };
    }

    /// <summary>As foretold: every station within what prediction and measurement can be wrong together.</summary>
    private static Verdict Foretold(IReadOnlyCollection<StationProof> stations, bool decides) =>
        !decides ? Verdict.MeasureAgain
        : stations.Any(s => s.PredictionRight == false) ? Verdict.NotReached
        : stations.Any(s => s.PredictionRight == true) ? Verdict.Reached
        : Verdict.CannotTell;

    private static StationProof Station(
        PredictedStation planned,
        Datum? datum,
        WalkRoundStance now,
        double tolerance,
        bool decides
    )
    {
        // Lips carry the prediction's datum; a mid station is compared in the datum of its own baseline.
        var height = now.Stations.FirstOrDefault(s =>
            s.Station == planned.Station && (s.Datum == datum || Corners.Named(s.Station) is null)
        );
        if (height is null)
        {
            var why = now.At(planned.Station) is null
                ? "Not read in this walk-round."
                : "Read from another datum than before.";
            return new StationProof
            {
                Station = planned.Station,
                Before = planned.Before,
                Planned = planned.Height,
                Now = Result.No(Unit.Mm, why),
                Difference = Result.No(Unit.Mm, why),
                Near = null,
                PredictionRight = null,
            };
        }
        var difference = Result.Sum(Unit.Mm, [(1, height.Height), (-1, planned.Height)]);
        var (d, combined) = difference.Have();
        return new StationProof
        {
            Station = planned.Station,
            Before = planned.Before,
            Planned = planned.Height,
            Now = height.Height,
            Difference = difference,
            Near = Math.Abs(d) <= tolerance + Rounding,
            // A reading that does not fit a stiff body asks for another read before it condemns the work.
            PredictionRight = decides ? Math.Abs(d) <= 2 * combined : null,
        };
    }

    private static IEnumerable<AxleLift> Lifts(Plan plan, Stage from, Comparison comparison)
    {
        foreach (var axle in Corners.Axles)
        {
            var changes = Corners
                .Of(axle)
                .Select(c => CornerStack.Change(c, from.Stacks, plan.Stacks))
                .ToArray();
            // What lies beside a plate without lifting changes neither thickness, claim nor ratio.
            PlacedPart[] come = [.. changes.SelectMany(c => c.Come).Where(MayLift)];
            PlacedPart[] gone = [.. changes.SelectMany(c => c.Gone).Where(MayLift)];
            var conversion = plan.Of(axle);
            if (come.Length + gone.Length == 0 && conversion is null)
            {
                continue;
            }
            var measured = comparison.MeanRise(axle);
            var thickness = conversion is null
                ? Change(come, gone, p => p.Thickness, "thickness")
                : Result.No(Unit.Mm, Converted);
            yield return new AxleLift(
                axle,
                [
                    .. conversion is null
                        ? Array.Empty<string>()
                        : [$"{conversion.To.Kind.Said()}, by {conversion.To.Sheet}"],
                    .. come.Select(p => p.Name).Distinct(),
                    .. gone.Select(p => $"out: {p.Name}").Distinct(),
                ],
                thickness,
                conversion is null
                    ? Change(come, gone, p => p.Claim, "claim")
                    : Result.No(Unit.Mm, Converted),
                measured,
                Ratio(measured, thickness)
            );
        }
    }

    private const string Converted =
        "Another suspension came in: it has no thickness and no claim by itself.";

    private static bool MayLift(PlacedPart part) => PartRule.Of(part.Kind).MayLift;

    /// <summary>Change of a figure, mean of both sides of the axle.</summary>
    private static Result Change(
        PlacedPart[] come,
        PlacedPart[] gone,
        Func<PlacedPart, Quantity?> figure,
        string name
    )
    {
        var all = come.Concat(gone).ToArray();
        if (all.FirstOrDefault(p => figure(p) is null) is { } unknown)
        {
            return Result.No(Unit.Mm, $"{unknown.Name} has no known {name}.");
        }
        var sum = come.Sum(p => figure(p)!.In(Unit.Mm)) - gone.Sum(p => figure(p)!.In(Unit.Mm));
        var u = all.Sum(p => Math.Pow(figure(p)!.UIn(Unit.Mm), 2));
        return Result.Of(
            sum / 2,
            Unit.Mm,
            Math.Sqrt(u) / 2,
            all.Select(p => p.PartId ?? p.Id),
            all.Select(p => figure(p)!.Known).Max()
        );
    }

    private static Result Ratio(Result measured, Result thickness)
    {
        if (measured.Found is not { } rise)
        {
            return Result.No(Unit.One, measured.Cannot!);
        }
        if (thickness.Found is not { } added)
        {
            return Result.No(Unit.One, thickness.Cannot!);
        }
        if (Math.Abs(added.Mean) < 1e-9)
        {
            return Result.No(Unit.One, "No thickness was changed.");
        }
        var ratio = rise.Mean / added.Mean;
        return Result.Of(
            ratio,
            Unit.One,
            Math.Sqrt(Math.Pow(rise.Sd, 2) + Math.Pow(ratio * added.Sd, 2)) / Math.Abs(added.Mean),
            [.. measured.RestsOn, .. thickness.RestsOn]
        );
    }

    private static Verdict Worst(IReadOnlyCollection<Verdict> verdicts) =>
        new[] { Verdict.NotReached, Verdict.MeasureAgain, Verdict.CannotTell }
            .Where(verdicts.Contains)
            .Select(v => (Verdict?)v)
            .FirstOrDefault()
        ?? Verdict.Reached;
}
