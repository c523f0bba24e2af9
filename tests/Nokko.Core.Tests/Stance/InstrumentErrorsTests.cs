using CsCheck;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Stance;

/// <summary>What one instrument errs by alike in all that was read with it goes out of differences and stays in means.</summary>
public class InstrumentErrorsTests
{
    private static ReadBy Tape(int id, double error, double u, int? check = 1) =>
        new()
        {
            Id = Sample.Id(900 + id),
            Name = $"Tape {id}",
            Kind = InstrumentKind.Tape,
            CheckId = check is { } c ? Sample.Id(950 + c) : null,
            Error = error,
            U = u,
        };

    private static WalkRoundStance Stance(
        int round,
        double[] mm,
        Func<string, ReadBy?> by,
        string spot = "bay 1"
    ) =>
        StanceOf.Compute(
            Sample.Round(round, Sample.AsFound.Id, spot: spot),
            [
                .. Sample
                    .Readings(round * 100, round, mm)
                    .Select(r => r with { By = by(r.Place.Name!) }),
            ],
            Sample.Pickup
        );

    private static readonly double[] Before = [520, 1040, 580, 580, 1040, 520];
    private static readonly double[] After = [570, 1069, 580, 580, 1069, 570];

    private static Comparison Compare(WalkRoundStance before, WalkRoundStance after) =>
        Rises.Compare(
            before,
            Sample.Round(40, Sample.AsFound.Id),
            after,
            Sample.Round(50, Sample.AsFound.Id),
            Sample.Pickup
        );

    [Fact]
    public void A_known_error_is_taken_off_every_height_and_its_rest_is_in_its_plus_minus()
    {
        var without = Stance(40, Before, _ => null).At("LF")!;
        var with = Stance(40, Before, _ => Tape(1, 1.5, 0.32)).At("LF")!;
        Assert.Equal(518.5, with.Height.Value!.Value, 1e-9);
        Assert.Equal(without.Height.U, with.Own.U);
        Assert.Equal(
            Math.Sqrt(Math.Pow(without.Height.U!.Value, 2) + (0.32 * 0.32)),
            with.Height.U!.Value,
            1e-12
        );
        // Reads with two tapes are one height's own; the greater of the two errors stays in it.
        var both = Sample.Readings(4100, 40, 520)[0] with
        {
            By = Tape(1, 0, 0.3),
        };
        var mixed = StanceOf
            .Compute(
                Sample.Round(40, Sample.AsFound.Id),
                [both, both with { Id = Sample.Id(4101), By = Tape(2, 2, 0.5) }],
                Sample.Pickup
            )
            .At("LF")!;
        Assert.Equal(519, mixed.Height.Value!.Value, 1e-9);
        Assert.Equal((null, 0.5), (mixed.Tape.Of, mixed.Tape.U));
    }

    /// <summary>The second way: the whole covariance of four heights, whichever tape read each.</summary>
    [Fact]
    public void Rake_lean_and_warp_have_the_variance_of_the_full_covariance()
    {
        double[] rake = [-0.5, -0.5, 0.5, 0.5];
        double[] left = [-1, 0, 1, 0];
        double[] lean = [1, -1, 0, 0];
        double[] warp = [1, -1, -1, 1];
        Gen.Select(Gen.Int[0, 2].Array[4], Gen.Double[0.1, 3].Array[2])
            .Sample(
                (tapes, u) =>
                {
                    var corners = Corners.All.Select(c => c.Name()).ToArray();
                    // 0 is nobody's tape.
                    var stance = Stance(
                        40,
                        Before,
                        s =>
                            Array.IndexOf(corners, s) is var i and >= 0 && tapes[i] > 0
                                ? Tape(tapes[i], 0, u[tapes[i] - 1])
                                : null
                    );
                    var covariance = new double[4, 4];
                    for (var i = 0; i < 4; i++)
                    {
                        covariance[i, i] += Math.Pow(stance.At(corners[i])!.Own.U!.Value, 2);
                        for (var j = 0; j < 4; j++)
                        {
                            covariance[i, j] +=
                                tapes[i] > 0 && tapes[i] == tapes[j]
                                    ? Math.Pow(u[tapes[i] - 1], 2)
                                    : 0;
                        }
                    }
                    Same(rake, stance.Rake);
                    Same(left, stance.RakeLeft);
                    Same(lean, stance.LeanFront);
                    Same(warp, stance.Warp);

                    void Same(double[] f, Result found)
                    {
                        var variance = 0.0;
                        for (var i = 0; i < 4; i++)
                        {
                            for (var j = 0; j < 4; j++)
                            {
                                variance += f[i] * covariance[i, j] * f[j];
                            }
                        }
                        Assert.Equal(Math.Sqrt(variance), found.U!.Value, 1e-9);
                    }
                },
                iter: Sample.Tries(200)
            );
    }

    [Fact]
    public void The_same_tape_goes_out_of_a_rise_and_another_one_shifts_all_alike()
    {
        ReadBy one = Tape(1, 1.5, 0.3),
            two = Tape(2, -0.5, 0.4);
        var nobody = Compare(Stance(40, Before, _ => null), Stance(50, After, _ => null));
        var same = Compare(Stance(40, Before, _ => one), Stance(50, After, _ => one));
        Assert.Equal(50, same.MeanRise(Axle.Front).Value!.Value, 1e-9);
        Assert.Equal(nobody.MeanRise(Axle.Front).U, same.MeanRise(Axle.Front).U);
        Assert.DoesNotContain(same.Differences, d => d.Key == "tape");

        var other = Compare(Stance(40, Before, _ => one), Stance(50, After, _ => two));
        // 2 mm less were taken off before, half a millimetre was put on after.
        Assert.Equal(52, other.MeanRise(Axle.Front).Value!.Value, 1e-9);
        var differ = Assert.Single(other.Differences, d => d.Key == "tape");
        Assert.Equal(0.5, differ.UMm, 1e-9);
        Assert.Contains(
            "Tape 1 before and with Tape 2 after",
            differ.Says,
            StringComparison.Ordinal
        );
        Assert.Equal(
            Math.Pow(nobody.MeanRise(Axle.Front).U!.Value, 2) + 0.25,
            Math.Pow(other.MeanRise(Axle.Front).U!.Value, 2),
            1e-9
        );
        Assert.Equal(nobody.Warp.U!.Value, other.Warp.U!.Value, 1e-9);
        // A check between is another error of the same tape.
        var between = Compare(
            Stance(40, Before, _ => one),
            Stance(50, After, _ => Tape(1, 1.6, 0.4, check: 2))
        );
        Assert.Equal(0.5, between.Differences.Single(d => d.Key == "tape").UMm, 1e-9);
        // Against a tape that nobody named the rule of thumb stands in.
        var unknown = Compare(Stance(40, Before, _ => null), Stance(50, After, _ => one));
        Assert.Equal(
            Math.Sqrt(1 + (0.3 * 0.3)),
            unknown.Differences.Single(d => d.Key == "tape").UMm,
            1e-9
        );
        Assert.Contains(
            "a tape that nobody named before",
            unknown.Differences.Single(d => d.Key == "tape").Says,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData(0.4)]
    [InlineData(0.3)]
    public void Where_tapes_are_mixed_each_station_keeps_their_errors_as_its_own(double u)
    {
        ReadBy one = Tape(1, 0, 0.3),
            two = Tape(2, 0, u);
        var both = (0.3 * 0.3) + (u * u);
        var nobody = Compare(Stance(40, Before, _ => null), Stance(50, After, _ => null));
        var mixed = Compare(
            Stance(40, Before, _ => one),
            Stance(50, After, s => s[0] == 'L' ? one : two)
        );
        Assert.DoesNotContain(mixed.Differences, d => d.Key == "tape");
        double Own(Comparison c, string station) =>
            Math.Pow(c.Rises.Single(r => r.Station == station).Rise.U!.Value, 2);
        Assert.Equal(Own(nobody, "LF"), Own(mixed, "LF"), 1e-9);
        Assert.Equal(Own(nobody, "RF") + both, Own(mixed, "RF"), 1e-9);
        // Of the mean of both only one carries it: a quarter of its square.
        Assert.Equal(
            Math.Pow(nobody.MeanRise(Axle.Front).U!.Value, 2) + (both / 4),
            Math.Pow(mixed.MeanRise(Axle.Front).U!.Value, 2),
            1e-9
        );
    }

    [Fact]
    public void A_difference_of_two_measures_of_one_tape_is_free_of_it_and_a_scale_goes_out_of_a_share()
    {
        static Reading Measured(int id, string measure, string place, Quantity value, ReadBy by) =>
            Sample.Reading(id, 40, null, 0) with
            {
                Kind = Measures.Find(measure)!.Kind,
                Measure = measure,
                Place = new()
                {
                    Kind = Measures.PlaceKindOf(Measures.Find(measure)!),
                    Name = place,
                },
                From = null,
                Value = value,
                By = by,
            };
        var tape = Tape(1, 2, 0.5);
        Reading[] bar =
        [
            Measured(1, Measures.PanhardBody, "rear", Sample.Mm(600), tape),
            Measured(2, Measures.PanhardAxle, "rear", Sample.Mm(540), tape),
        ];
        MeasureValue[] Of(IReadOnlyList<Reading> readings) =>
            [
                .. StanceOf
                    .Compute(Sample.Round(40, Sample.AsFound.Id), readings, Sample.Pickup)
                    .Measures,
            ];
        var values = Of(bar);
        var body = values.Single(v => v.Measure == Measures.PanhardBody);
        Assert.Equal(598, body.Value.Value!.Value, 1e-9);
        Assert.True(body.Value.U > body.Own.U);
        var drop = values.Single(v => v.Measure == MeasureValues.TrackBarDrop).Value;
        Assert.Equal(60, drop.Value!.Value, 1e-9);
        Assert.Equal(body.Own.U!.Value * Math.Sqrt(2), drop.U!.Value, 1e-9);
        // With two tapes nothing goes out.
        var apart = Of([bar[0], bar[1] with { By = Tape(2, 2, 0.5) }])
            .Single(v => v.Measure == MeasureValues.TrackBarDrop)
            .Value;
        Assert.Equal(body.Value.U!.Value * Math.Sqrt(2), apart.U!.Value, 1e-9);

        // Scales that all say 4 in 100 too much tell the same share.
        var scales = tape with
        {
            Kind = InstrumentKind.Scales,
            Error = 0.04,
            U = 0.01,
        };
        double[] kg = [520, 500, 380, 400];
        Reading[] Weighed(ReadBy? by) =>
            [
                .. Corners.All.Zip(
                    kg,
                    (c, w) =>
                        Measured(
                            10 + (int)c,
                            Measures.WheelWeight,
                            c.Name(),
                            Sample.Of(w, Unit.Kg, Known.Measured),
                            by!
                        )
                ),
            ];
        var share = Of(Weighed(scales)).Single(v => v.Measure == MeasureValues.CrossWeight).Value;
        var plain = Of(Weighed(null)).Single(v => v.Measure == MeasureValues.CrossWeight).Value;
        Assert.Equal(plain.Value!.Value, share.Value!.Value, 1e-9);
        Assert.Equal(
            520 / 1.04,
            Of(Weighed(scales)).First(v => v.Place == "LF").Value.Value!.Value,
            1e-9
        );
        Assert.InRange(share.U!.Value, plain.U!.Value, plain.U!.Value * 1.05);
    }
}
