using CsCheck;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Stance;

public class FloorSurveyTests
{
    private static readonly Gen<double> Pad = Gen.Double[-30, 30];

    [Fact]
    public void A_floor_that_only_slopes_changes_no_reading() =>
        Gen.Select(Pad, Gen.Double[-0.01, 0.01], Gen.Double[-0.01, 0.01])
            .Sample(
                (high, along, across) =>
                {
                    // The wheels of the sample stand at x 0 and −3600, y ±820.
                    var survey = Survey(
                        high + (820 * across),
                        high - (820 * across),
                        high - (3600 * along) + (820 * across),
                        high - (3600 * along) - (820 * across)
                    );
                    return Sample.Pickup.Stations.All(s =>
                        Math.Abs(survey.CorrectionMm(s, Datum.Floor)) < 1e-6
                        && Math.Abs(survey.CorrectionMm(s, Datum.Hub)) < 1e-6
                    );
                }
            );

    [Fact]
    public void One_low_pad_is_what_a_shorter_spring_would_be()
    {
        // By hand over the low pad: the front goes down by half, and of the other half the body follows
        // by the front's share of the roll stiffness, 820² of the wheels against 540² of the rear springs.
        // A bar k_b between supports at ±y resists roll as springs of k + 2·k_b would.
        var supports = VehicleSupports.Of(Sample.Pickup).Supports!;
        var bars = VehicleSupports.Bars(Sample.Pickup, supports).Select(b => b.Bar.RateNPerMm);
        var front = (supports[0].RateNPerMm + (2 * bars.First())) * 820 * 820;
        var rear = (supports[2].RateNPerMm + (2 * bars.Last())) * 540 * 540;
        var survey = Survey(-10, 0, 0, 0);
        var roll = -10 / 1640.0 * front / (front + rear);
        foreach (var name in new[] { "LR", "RR" })
        {
            var s = Sample.Pickup.Stations.First(x => x.Name == name);
            Assert.Equal(-s.Y.In(Unit.Mm) * roll, survey.CorrectionMm(s, Datum.Hub), 9);
        }
        var lf = Sample.Pickup.Stations.First(s => s.Name == "LF");
        Assert.Equal(
            -5 * (rear / (front + rear)) * (800.0 / 820),
            survey.CorrectionMm(lf, Datum.Hub),
            9
        );
    }

    [Fact]
    public void Frame_and_own_marks_move_with_the_body_and_need_nothing()
    {
        var survey = Survey(8, 0, -4, 12);
        var lf = Sample.Pickup.Stations[0];
        Assert.Equal(0, survey.CorrectionMm(lf, Datum.Frame));
        Assert.Equal(0, survey.CorrectionMm(lf, Datum.Own));
    }

    [Fact]
    public void A_twisted_floor_no_longer_reads_as_a_lean_once_it_is_surveyed()
    {
        double[] level = [520, 1040, 580, 580, 1040, 520];
        var round = Round(9, -9, -9, 9);
        var survey = FloorSurvey.Of(round, Sample.Pickup)!;
        var read = Sample
            .Pickup.Stations.Zip(
                level,
                (s, mm) =>
                    mm - survey.CorrectionMm(s, s.Name is "LM" or "RM" ? Datum.Floor : Datum.Hub)
            )
            .ToArray();
        var stance = StanceOf.Compute(round, Sample.Readings(100, 40, read), Sample.Pickup);
        Assert.Equal(0, stance.LeanFront.Value!.Value, 6);
        Assert.Equal(0, stance.LeanRear.Value!.Value, 6);
        Assert.Equal(60, stance.Rake.Value!.Value, 6);
        var blind = StanceOf.Compute(
            round with
            {
                Pads = [],
            },
            Sample.Readings(100, 40, read),
            Sample.Pickup
        );
        Assert.True(Math.Abs(blind.LeanFront.Value!.Value) > 5);
    }

    [Fact]
    public void Three_pads_are_no_survey() =>
        Assert.Null(
            FloorSurvey.Of(
                Sample.Round(40, Sample.AsFound.Id) with
                {
                    Pads = [.. Round(1, 2, 3, 4).Pads.Take(3)],
                },
                Sample.Pickup
            )
        );

    private static FloorSurvey Survey(double lf, double rf, double lr, double rr) =>
        FloorSurvey.Of(Round(lf, rf, lr, rr), Sample.Pickup)!;

    private static WalkRound Round(double lf, double rf, double lr, double rr) =>
        Sample.Round(40, Sample.AsFound.Id) with
        {
            Pads =
            [
                .. Corners.All.Zip(
                    (double[])[lf, rf, lr, rr],
                    (wheel, mm) =>
                        new WheelPad { Wheel = wheel, Height = Quantity.Mm(mm, Known.Measured) }
                ),
            ],
        };
}
