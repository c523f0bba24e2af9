using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>How a vehicle stood in one walk-round.</summary>
/// <param name="WalkRoundId">The round.</param>
/// <param name="StageId">Its stage.</param>
/// <param name="JobId">Its job.</param>
/// <param name="At">When.</param>
/// <param name="Odometer">What the odometer showed; null is not noted.</param>
/// <param name="Decides">Whether it may carry a verdict.</param>
/// <param name="Front">Mean height of the front lips, mm.</param>
/// <param name="Rear">The same behind.</param>
/// <param name="Tyres">Tyre sizes as they were noted then; empty where nobody noted one.</param>
public sealed record YearRound(
    Guid WalkRoundId,
    Guid StageId,
    Guid JobId,
    DateTimeOffset At,
    Quantity? Odometer,
    bool Decides,
    Result Front,
    Result Rear,
    IReadOnlyList<string> Tyres
);

/// <summary>What was fitted at an axle with a stage, and how it went down on it since.</summary>
/// <param name="Axle">The axle.</param>
/// <param name="Came">Parts and suspension that came.</param>
/// <param name="Gone">What left.</param>
/// <param name="Moved">Rise of the mean lip from the first to the last round that decide on it, mm; what came down is below zero. Null while no two are a month apart.</param>
/// <param name="Days">Days between those two.</param>
public sealed record YearAxle(
    Axle Axle,
    IReadOnlyList<string> Came,
    IReadOnlyList<string> Gone,
    Result? Moved,
    double? Days
);

/// <summary>A stage in a vehicle's years.</summary>
/// <param name="StageId">The stage.</param>
/// <param name="Name">Its name.</param>
/// <param name="OpenedAt">When it began.</param>
/// <param name="JobId">The job that opened it.</param>
/// <param name="Axles">Both axles, front first.</param>
public sealed record YearStage(
    Guid StageId,
    string Name,
    DateTimeOffset OpenedAt,
    Guid JobId,
    IReadOnlyList<YearAxle> Axles
);

/// <summary>A vehicle over its years: every stage, every round, and how springs went down between works.</summary>
/// <remarks>Source: docs/computation/settling.md#years.</remarks>
/// <param name="Datum">From where its heights are: that of the last round; rounds from elsewhere have none.</param>
/// <param name="Stages">Stages in order, what was noted of before the shop included.</param>
/// <param name="Rounds">Rounds in the order of time.</param>
public sealed record VehicleYears(
    Datum Datum,
    IReadOnlyList<YearStage> Stages,
    IReadOnlyList<YearRound> Rounds
)
{
    /// <summary>Least time between two rounds that tell of springs and not of settling, days.</summary>
    public const double Month = 30;

    /// <summary>The years of the vehicle of a job, with what earlier jobs measured.</summary>
    /// <param name="d">Its latest job.</param>
    public static VehicleYears Of(JobDocument d)
    {
        var rounds = d.WalkRounds.ToDictionary(w => w.Id);
        var read = JobEvaluator
            .StancesOf(d)
            .Where(s => s.Stations.Count > 0)
            .OrderBy(s => rounds[s.WalkRoundId].At)
            .ToArray();
        var datum = read.LastOrDefault()?.Datum ?? d.Job.Target.Datum;
        Stage[] stages = [.. d.Stages.OrderBy(s => s.Ordinal)];
        return new(
            datum,
            [
                .. stages.Select(
                    (s, i) =>
                        new YearStage(
                            s.Id,
                            s.Name,
                            s.OpenedAt,
                            s.JobId,
                            [
                                .. Corners.Axles.Select(a =>
                                    OfAxle(d, a, i == 0 ? null : stages[i - 1], s, read)
                                ),
                            ]
                        )
                ),
            ],
            [
                .. read.Select(s =>
                {
                    var round = rounds[s.WalkRoundId];
                    return new YearRound(
                        s.WalkRoundId,
                        s.StageId,
                        round.JobId,
                        round.At,
                        round.Odometer,
                        s.Decides,
                        Mean(s, Axle.Front, datum),
                        Mean(s, Axle.Rear, datum),
                        [.. round.Tyres.Select(t => t.Size).OfType<string>().Distinct()]
                    );
                }),
            ]
        );
    }

    private static YearAxle OfAxle(
        JobDocument d,
        Axle axle,
        Stage? before,
        Stage stage,
        IReadOnlyList<WalkRoundStance> read
    )
    {
        var changes = Corners
            .Of(axle)
            .Select(c => CornerStack.Change(c, before?.Stacks ?? [], stage.Stacks))
            .ToArray();
        var (was, now) = (before?.SuspensionOf(axle).Kind, stage.SuspensionOf(axle).Kind);
        var other = was is not null && was != now;
        WalkRoundStance[] mine = [.. read.Where(s => s.StageId == stage.Id && s.Decides)];
        DateTimeOffset At(WalkRoundStance s) => d.WalkRounds.First(w => w.Id == s.WalkRoundId).At;
        var days = mine.Length < 2 ? 0 : (At(mine[^1]) - At(mine[0])).TotalDays;
        return new(
            axle,
            [
                .. changes.SelectMany(c => c.Come).Select(p => p.Name).Distinct(),
                .. other ? new[] { now.Said() } : [],
            ],
            [
                .. changes.SelectMany(c => c.Gone).Select(p => p.Name).Distinct(),
                .. other ? new[] { was!.Value.Said() } : [],
            ],
            days < Month ? null : JobEvaluator.Compare(d, mine[0], mine[^1]).MeanRise(axle),
            days < Month ? null : days
        );
    }

    /// <summary>Mean of both lips. One tape, one settling, one floor: their errors are taken as one, which is never too little.</summary>
    private static Result Mean(WalkRoundStance stance, Axle axle, Datum datum)
    {
        var lips = Corners
            .Of(axle)
            .Select(c =>
                stance.Stations.FirstOrDefault(s => s.Station == c.Name() && s.Datum == datum)
            )
            .OfType<StationHeight>()
            .ToArray();
        return lips is [var left, var right]
            ? Result.Of(
                (left.Height.Have().Mean + right.Height.Have().Mean) / 2,
                Unit.Mm,
                (left.Height.Have().Sd + right.Height.Have().Sd) / 2,
                [.. left.Height.RestsOn, .. right.Height.RestsOn]
            )
            : Result.No(
                Unit.Mm,
                $"Both {axle.Said()} lips must be read from the {datum.ToString().ToLowerInvariant()}."
            );
    }
}
