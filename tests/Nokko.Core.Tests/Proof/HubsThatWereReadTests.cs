using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Proof;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Proof;

/// <summary>Hubs that were read before and after tell a tyre or the ground from everything above them.</summary>
public class HubsThatWereReadTests
{
    private static readonly string[] Wheels = ["LF", "RF", "LR", "RR"];

    /// <summary>A job read from the floor: the front comes up as foretold, then the left rear wheel stands 10 mm lower, as the hubs say or do not say.</summary>
    private static double TyreLow(double? hub)
    {
        // Four wheels alike under a stiff body: of 10 mm under one of them, 7 1/2 there.
        double[] before = [900, 1040, 950, 950, 1040, 900];
        double[] after =
        [
            900 + 51.26 - 2.5,
            1040 + 29.9 - 5,
            942.5,
            947.5,
            1040 + 29.9,
            900 + 51.26 + 2.5,
        ];
        var d = Sample.Job(before, after);
        var target = Sample.Level with { Datum = Datum.Floor };
        d = d with
        {
            Job = d.Job with { Target = target },
            WalkRounds = [.. d.WalkRounds.Select(w => w with { Datum = Datum.Floor })],
            Readings =
            [
                .. d.Readings.Select(r => r with { From = Datum.Floor }),
                .. hub is null
                    ? []
                    : Wheels.SelectMany(
                        (w, i) =>
                            new[]
                            {
                                // No two tyres stand alike.
                                Hub(300 + i, 40, w, 380 + (4 * i)),
                                Hub(310 + i, 41, w, 380 + (4 * i) + (w == "LR" ? hub.Value : 0)),
                            }
                    ),
            ],
        };
        d = d with
        {
            FrozenPredictions =
            [
                d.FrozenPredictions[0] with
                {
                    Target = target,
                    Prediction = JobEvaluator.Predict(
                        d,
                        d.Plans[0],
                        JobEvaluator.Evaluate(d).WalkRounds,
                        PlatformEvidence.None
                    )!,
                },
            ],
        };
        return JobEvaluator
            .Evaluate(d)
            .Proofs.Single()
            .Causes!.Classes.SelectMany(c => c.Causes)
            .Single(c => c is { Kind: CauseKind.TyreLow, Where: "LR" })
            .Chance;
    }

    private static Reading Hub(int id, int round, string wheel, double mm) =>
        Sample.Reading(id, round, null, mm) with
        {
            Kind = ReadingKind.Length,
            Measure = Measures.HubHeight,
            From = null,
            Place = new Place { Kind = PlaceKind.Wheel, Name = wheel },
        };

    [Fact]
    public void A_hub_that_went_down_as_far_says_that_it_was_the_tyre_and_one_that_did_not_that_it_was_not()
    {
        var unread = TyreLow(null);
        Assert.InRange(unread, 0.05, 0.8);
        Assert.True(TyreLow(-10) > 0.9, $"{TyreLow(-10)}");
        Assert.True(TyreLow(0) < unread / 5, $"{TyreLow(0)}");
    }
}
