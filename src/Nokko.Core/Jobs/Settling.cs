using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>By how much a vehicle has moved since it was first read after its work.</summary>
/// <param name="WalkRoundId">The later round.</param>
/// <param name="At">When it was walked.</param>
/// <param name="Km">How far it was driven since the first round, km; null where either odometer is not noted.</param>
/// <param name="Front">Rise of the mean front lip since then, mm; what it came down is below zero.</param>
/// <param name="Rear">The same behind.</param>
/// <param name="Foretold">What such springs do by then; only of axles that the work touched, and where the distance is known.</param>
/// <param name="More">Axles that came down more than such springs do.</param>
public sealed record SettledBy(
    Guid WalkRoundId,
    DateTimeOffset At,
    double? Km,
    Result Front,
    Result Rear,
    IReadOnlyList<SettlingForetold> Foretold,
    IReadOnlyList<Axle> More
);

/// <summary>What springs like an axle's do by a distance.</summary>
/// <param name="Axle">The axle.</param>
/// <param name="Rise">Rise of the mean lip, mm: what comes down is below zero.</param>
public sealed record SettlingForetold(Axle Axle, Result Rise);

/// <summary>How a vehicle settles after its work, round by round.</summary>
/// <remarks>Source: docs/computation/settling.md#settling.</remarks>
/// <param name="Since">Every later round against the first that decides, in order.</param>
/// <param name="Settled">Whether the last two rounds, at least a night and, where it is noted, 50 miles apart, differ by no more than the tape can show; null while no two rounds are that far apart.</param>
public sealed record Settling(IReadOnlyList<SettledBy> Since, bool? Settled)
{
    /// <summary>A night: what is read within it shows no settling, hours.</summary>
    public const double NightHours = 8;

    /// <summary>Least distance between two rounds that tell, km: 50 miles.</summary>
    public const double Apart = 80;

    /// <summary>How a job's vehicle settles at its present stage; null while it was not read twice there.</summary>
    /// <param name="d">The job.</param>
    /// <param name="stances">Its stances, in the order of time.</param>
    /// <param name="known">What is known of such springs.</param>
    public static Settling? Of(
        JobDocument d,
        IReadOnlyList<WalkRoundStance> stances,
        IReadOnlyList<SettledSums> known
    )
    {
        if (d.CurrentStage() is not { Ordinal: > 0 } now)
        {
            return null;
        }
        WalkRoundStance[] mine = [.. stances.Where(s => s.StageId == now.Id && s.Decides)];
        if (mine.Length < 2)
        {
            return null;
        }
        var rounds = mine.Select(s => d.WalkRounds.First(w => w.Id == s.WalkRoundId)).ToArray();
        IReadOnlyList<SettlingAxle> axles =
            d.BegunPlan() is { } plan && d.StartOf(plan) is { } from
                ? SettlingAxle.Of(d.Vehicle, from, plan)
                : [];
        return new(
            [
                .. mine.Skip(1)
                    .Select(
                        (s, i) =>
                        {
                            var comparison = JobEvaluator.Compare(d, mine[0], s);
                            var km = Driven(rounds[0], rounds[i + 1]);
                            SettlingForetold[] foretold = km is >= 0 and { } driven
                                ?
                                [
                                    .. axles.Select(a => new SettlingForetold(
                                        a.Axle,
                                        a.Next(known, driven)
                                    )),
                                ]
                                : [];
                            return new SettledBy(
                                s.WalkRoundId,
                                rounds[i + 1].At,
                                km,
                                comparison.MeanRise(Axle.Front),
                                comparison.MeanRise(Axle.Rear),
                                foretold,
                                [
                                    .. foretold
                                        .Where(f => IsMore(comparison.MeanRise(f.Axle), f.Rise))
                                        .Select(f => f.Axle),
                                ]
                            );
                        }
                    ),
            ],
            IsSettled()
        );

        bool? IsSettled()
        {
            var last = mine.Length - 1;
            for (var i = last - 1; i >= 0; i--)
            {
                if (
                    (rounds[last].At - rounds[i].At).TotalHours < NightHours
                    || Driven(rounds[i], rounds[last]) < Apart
                )
                {
                    continue;
                }
                var comparison = JobEvaluator.Compare(d, mine[i], mine[last]);
                Result[] moved = [.. Corners.Axles.Select(comparison.MeanRise)];
                return moved.Any(m => m.Value is null)
                    ? null
                    : moved.All(m => Math.Abs(m.Have().Mean) <= 2 * (m.U ?? 0));
            }
            return null;
        }
    }

    /// <summary>How far it was driven between two rounds, km; null where either odometer is not noted.</summary>
    public static double? Driven(WalkRound from, WalkRound to) =>
        from.Odometer is { } a && to.Odometer is { } b ? b.In(Unit.Km) - a.In(Unit.Km) : null;

    private static bool IsMore(Result rise, Result foretold) =>
        rise is { Value: { } seen, U: { } u }
        && foretold.Have() is var expected
        && seen < expected.Mean - (2 * Math.Sqrt((u * u) + (expected.Sd * expected.Sd)));
}
