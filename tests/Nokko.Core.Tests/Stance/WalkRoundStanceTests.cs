using CsCheck;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Stance;

public class WalkRoundStanceTests
{
    private static readonly double[] Before = [520, 1040, 580, 578, 1041, 522];

    [Fact]
    public void Rake_lean_and_warp_follow_their_definitions()
    {
        var stance = Of(Sample.Readings(100, 40, Before));
        Assert.Equal(((580 + 578) / 2.0) - ((520 + 522) / 2.0), stance.Rake.Value!.Value, 9);
        Assert.Equal(60, stance.RakeLeft.Value!.Value, 9);
        Assert.Equal(56, stance.RakeRight.Value!.Value, 9);
        Assert.Equal(-2, stance.LeanFront.Value!.Value, 9);
        Assert.Equal(2, stance.LeanRear.Value!.Value, 9);
        Assert.Equal(520 + 578 - 522 - 580, stance.Warp.Value!.Value, 9);
        Assert.Equal(Math.Atan2(58, 3600) * 180 / Math.PI, stance.BodyAngle.Value!.Value, 9);
        Assert.Equal(
            [Sample.Id(100), Sample.Id(102), Sample.Id(103), Sample.Id(105)],
            stance.Rake.RestsOn
        );
    }

    [Fact]
    public void Uncertainty_of_the_rake_is_half_the_root_of_the_four()
    {
        var stance = Of(Sample.Readings(100, 40, Before));
        var squares = new[] { "LF", "RF", "LR", "RR" }.Sum(s =>
            Math.Pow(stance.At(s)!.Height.U!.Value, 2)
        );
        Assert.Equal(Math.Sqrt(squares) / 2, stance.Rake.U!.Value, 9);
    }

    [Fact]
    public void One_side_only_gives_that_side_and_says_what_is_missing()
    {
        var stance = Of([.. Sample.Readings(100, 40, Before).Where(r => r.Place.Name![0] == 'L')]);
        Assert.Equal(60, stance.RakeLeft.Value!.Value, 9);
        Assert.Null(stance.Rake.Value);
        Assert.Equal("Not read from the hub: right front, right rear.", stance.Rake.Cannot);
    }

    [Fact]
    public void A_superseded_reading_and_one_of_unknown_side_enter_nothing()
    {
        var stance = Of([
            .. Sample.Readings(100, 40, Before),
            Sample.Reading(110, 40, "LF", 530, supersedes: Sample.Id(100)),
            Sample.Reading(111, 40, null, 999),
        ]);
        Assert.Equal(530, stance.At("LF")!.Height.Value!.Value, 9);
        Assert.Equal([Sample.Id(111)], stance.Unused.Select(u => u.ReadingId));
    }

    [Fact]
    public void A_station_that_was_read_twice_stands_in_the_round_s_own_datum()
    {
        var floor = Sample.Reading(110, 40, "LF", 900, Datum.Floor);
        foreach (var first in new[] { true, false })
        {
            var hub = Sample.Readings(100, 40, Before);
            var stance = Of(first ? [floor, .. hub] : [.. hub, floor]);
            Assert.Equal((520, Datum.Hub), (stance.At("LF")!.Own.Value, stance.At("LF")!.Datum));
        }
        // A middle has its floor alone.
        Assert.Equal(Datum.Floor, Of(Sample.Readings(100, 40, Before)).At("LM")!.Datum);
    }

    [Fact]
    public void A_second_value_is_a_repeat()
    {
        var stance = Of([.. Sample.Readings(100, 40, Before), Sample.Reading(110, 40, "LF", 526)]);
        Assert.Equal((523, 2), (stance.At("LF")!.Height.Value!.Value, stance.At("LF")!.Reads));
        Assert.False(stance.Decides);
        Assert.Contains("third time", stance.At("LF")!.Flags[0], StringComparison.Ordinal);
    }

    [Fact]
    public void An_unsettled_round_decides_nothing() =>
        Assert.False(
            StanceOf
                .Compute(
                    Sample.Round(40, Sample.AsFound.Id, Settled.No),
                    Sample.Readings(100, 40, Before),
                    Sample.Pickup
                )
                .Decides
        );

    [Fact]
    public void A_shared_offset_to_all_floor_readings_changes_no_rake() =>
        Gen.Double[-80, 80]
            .Sample(offset =>
            {
                var round = Sample.Round(40, Sample.AsFound.Id, datum: Datum.Floor);
                WalkRoundStance Floor(double by) =>
                    StanceOf.Compute(
                        round,
                        [
                            .. Sample
                                .Readings(100, 40, Before)
                                .Select(r =>
                                    r with
                                    {
                                        From = Datum.Floor,
                                        Value = Sample.Mm(r.Value!.Value + 380 + by),
                                    }
                                ),
                        ],
                        Sample.Pickup
                    );
                return Math.Abs(Floor(offset).Rake.Value!.Value - Floor(0).Rake.Value!.Value)
                    < 1e-9;
            });

    [Fact]
    public void Two_datums_that_cannot_be_converted_are_not_subtracted()
    {
        var before = Sample.Readings(100, 40, Before);
        var after = Sample
            .Readings(200, 41, Before)
            .Select(r => r with { From = Datum.Frame })
            .ToArray();
        var (a, b) = (
            Sample.Round(40, Sample.Id(10)),
            Sample.Round(41, Sample.Id(11), datum: Datum.Frame)
        );
        var compared = Rises.Compare(
            StanceOf.Compute(a, before, Sample.Pickup),
            a,
            StanceOf.Compute(b, after, Sample.Pickup),
            b,
            Sample.Pickup
        );
        Assert.All(
            compared.Rises,
            r =>
                Assert.Contains(
                    "cannot be turned into each other",
                    r.Rise.Cannot,
                    StringComparison.Ordinal
                )
        );
        Assert.Null(compared.Rigid);
    }

    [Fact]
    public void Hub_against_floor_is_converted_with_its_doubt_and_decides_nothing()
    {
        var before = Sample.Readings(100, 40, Before);
        // By hand: half of 802.8 mm, less half of 1100 kg in N over 260 N/mm.
        var radius = 401.4 - (1100 * 9.80665 / 2 / 260);
        var after = Sample
            .Readings(200, 41, Before)
            .Select(r =>
                r.Place.Name![1] == 'M'
                    ? r
                    : r with
                    {
                        From = Datum.Floor,
                        Value = Sample.Mm(r.Value!.Value + radius + 30),
                    }
            )
            .ToArray();
        var (a, b) = (
            Sample.Round(40, Sample.Id(10)),
            Sample.Round(41, Sample.Id(11), datum: Datum.Floor)
        );
        var rise = Rises
            .Compare(
                StanceOf.Compute(a, before, Sample.Pickup),
                a,
                StanceOf.Compute(b, after, Sample.Pickup),
                b,
                Sample.Pickup
            )
            .Rises.First(r => r.Station == "LF");
        Assert.Equal(30, rise.Rise.Value!.Value, 9);
        Assert.True(rise.Rise.U > 6);
        Assert.False(rise.Decides);
    }

    [Fact]
    public void The_same_spots_cancel_the_floor_and_another_bay_does_not()
    {
        double U(string? spot)
        {
            var (a, b) = (
                Sample.Round(40, Sample.Id(10)),
                Sample.Round(41, Sample.Id(11), spot: spot)
            );
            var (x, y) = (
                StanceOf.Compute(a, Sample.Readings(100, 40, Before), Sample.Pickup),
                StanceOf.Compute(b, Sample.Readings(200, 41, Before), Sample.Pickup)
            );
            return Rises
                .Compare(x, a, y, b, Sample.Pickup)
                .Rises.First(r => r.Station == "LF")
                .Rise.U!.Value;
        }
        Assert.Equal(Math.Pow(U("bay 2"), 2) - (2 * 0.2 * 0.2), Math.Pow(U("bay 1"), 2), 9);
    }

    [Theory]
    [InlineData(45, "Nose down")]
    [InlineData(-45, "Nose high")]
    [InlineData(1, "Level within what the tape can show")]
    public void The_rake_is_said_in_words(double mm, string words) =>
        Assert.StartsWith(
            words,
            StanceWords.SayRake(Result.Of(mm, Unit.Mm, 1.5, []), Datum.Hub, LengthStyle.Inches),
            StringComparison.Ordinal
        );

    [Fact]
    public void A_lean_names_the_low_side()
    {
        var stance = Of(Sample.Readings(100, 40, 520, 1040, 580, 560, 1041, 536));
        var words = StanceWords.Say(stance, LengthStyle.Millimetres);
        Assert.Contains(
            words,
            w => w.StartsWith("Left side low at the front by 16 mm", StringComparison.Ordinal)
        );
        Assert.Contains(
            words,
            w => w.StartsWith("Right side low at the rear by 20 mm", StringComparison.Ordinal)
        );
    }

    private static WalkRoundStance Of(IReadOnlyList<Reading> readings) =>
        StanceOf.Compute(Sample.Round(40, Sample.AsFound.Id), readings, Sample.Pickup);
}
