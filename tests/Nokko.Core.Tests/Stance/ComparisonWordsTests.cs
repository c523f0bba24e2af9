using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Stance;

/// <summary>Two rounds compared, in sentences, from rises that were written down by hand.</summary>
public class ComparisonWordsTests
{
    private static Result Mm(double value, double u, Known known = Known.Computed) =>
        Result.Of(value, Unit.Mm, u, [], known);

    private static readonly Result None = Result.No(Unit.Mm, "not read");

    private static Comparison Of(
        RigidBody? rigid = null,
        IReadOnlyList<ControlAxle>? controls = null,
        CornerMotion? corner = null,
        params MeasuredRise[] rises
    ) =>
        new()
        {
            BeforeId = Sample.Id(1),
            AfterId = Sample.Id(2),
            Rises = rises,
            Rigid = rigid,
            Warp = Mm(-12.7, 3),
            Corners = corner is null ? [] : [corner],
            Controls = controls ?? [],
            Differences = [],
            Notes = ["a note"],
        };

    private static string Say(Comparison comparison) =>
        string.Join('\n', ComparisonWords.Say(comparison, LengthStyle.Inches));

    [Theory]
    [InlineData(-15, true, "and it moved −9/16 in ± 1/4 in: a reading, the load or a bush")]
    [InlineData(15, true, "and it moved +9/16 in ± 1/4 in: a reading, the load or a bush")]
    [InlineData(0.2, false, "and it stayed within what the tape can show (0 in ± 1/4 in).")]
    [InlineData(-3.2, false, "and it stayed within what the tape can show (−1/8 in ± 1/4 in).")]
    public void The_axle_that_nobody_touched_says_which_way_it_went(
        double mm,
        bool moved,
        string says
    ) =>
        Assert.Contains(
            $"Nobody touched the rear axle, {says}",
            Say(Of(controls: [new ControlAxle(Axle.Rear, Mm(mm, 3), moved)])),
            StringComparison.Ordinal
        );

    private static CornerMotion At(Result? mounts, Result? tyre = null, Result? body = null) =>
        new(Nokko.Core.Vehicles.Corner.LF, body ?? None, Mm(20, 1), tyre ?? None, mounts);

    [Theory]
    // 20 by the springs and 10 by the mounts are 30 over the hub.
    [InlineData(10, Known.Estimated, "by their parts (a reading from the frame decides)")]
    [InlineData(10, Known.Measured, "read from the frame")]
    public void What_the_mounts_gave_is_told_apart_from_the_springs(
        double mounts,
        Known known,
        string says
    ) =>
        Assert.Contains(
            $"Left front: the lip rose +1 3/16 in over the hub; of that the mounts gave +3/8 in, {says}, and the springs +13/16 in.",
            Say(Of(corner: At(Mm(mounts, 2, known)))),
            StringComparison.Ordinal
        );

    [Theory]
    [InlineData(4, false)]
    [InlineData(-4, false)]
    [InlineData(4.1, true)]
    [InlineData(-4.1, true)]
    public void Mounts_and_tyres_are_spoken_of_beyond_twice_their_uncertainty(double mm, bool said)
    {
        Assert.Equal(
            said,
            Say(Of(corner: At(Mm(mm, 2)))).Contains("mounts gave", StringComparison.Ordinal)
        );
        Assert.Equal(
            said,
            Say(Of(corner: At(null, Mm(mm, 2), Mm(24, 2))))
                .Contains("the tyre", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Body_springs_and_tyre_are_told_where_all_three_are_known()
    {
        Assert.Contains(
            "Left front: the body rose +3/8 in; the springs gave +13/16 in, the tyre −3/8 in.",
            Say(Of(corner: At(null, Mm(-10, 2), Mm(10, 2)))),
            StringComparison.Ordinal
        );
        Assert.DoesNotContain(
            "the body rose",
            Say(Of(corner: At(null, Mm(-10, 2)))),
            StringComparison.Ordinal
        );
        Assert.EndsWith("a note", Say(Of(corner: At(null))), StringComparison.Ordinal);
    }

    // --- the stiff body -----------------------------------------------------------------------------

    private static RigidBody Rigid(
        RigidVerdict verdict,
        double any,
        params (string Station, double Residual, double IfOne, double? LeftOut)[] stations
    ) =>
        new(
            0,
            0,
            0,
            [
                .. stations.Select(s => new StationFit(
                    s.Station,
                    s.Residual,
                    0,
                    s.LeftOut,
                    s.LeftOut is null ? null : 3,
                    s.IfOne
                )),
            ],
            0.5,
            2,
            any,
            verdict,
            [.. stations.OrderByDescending(s => s.IfOne).Select(s => s.Station)]
        );

    [Fact]
    public void A_fit_names_its_largest_gap_whichever_way_it_goes() =>
        Assert.Contains(
            "The readings fit a stiff body: the largest gap is 1/4 in, no more than the tape allows.",
            Say(
                Of(
                    Rigid(
                        RigidVerdict.Fits,
                        0,
                        ("LF", 3, 0, null),
                        ("RF", -6, 0, null),
                        ("LR", 1, 0, null)
                    )
                )
            ),
            StringComparison.Ordinal
        );

    [Theory]
    [InlineData(40, 20, "it reads +1 9/16 in, 13/16 in too much. Read it again.")]
    [InlineData(0, 20, "it reads 0 in, 13/16 in too little. Read it again.")]
    public void A_slip_says_what_it_should_have_read(double read, double should, string says) =>
        Assert.Contains(
            $"Left middle does not fit: 97 in 100 that a reading slipped, 95 in 100 that it was this one. By the others it should have risen +13/16 in ± 1/4 in; {says}",
            Say(
                Of(
                    Rigid(
                        RigidVerdict.Slipped,
                        0.97,
                        ("LF", 3, 0.05, null),
                        ("LM", 20, 0.95, should)
                    ),
                    rises: new MeasuredRise("LM", Mm(read, 2), true)
                )
            ),
            StringComparison.Ordinal
        );

    [Fact]
    public void A_slip_of_two_that_may_be_it_names_both_with_their_shares_and_without_a_value_none()
    {
        var said = Say(
            Of(
                Rigid(
                    RigidVerdict.Slipped,
                    0.996,
                    ("LM", 20, 0.7, null),
                    ("RF", 10, 0.3, null),
                    ("LR", 1, 0.09, null)
                ),
                rises: new MeasuredRise("LM", Mm(30, 2), true)
            )
        );
        Assert.Contains(
            "Left middle does not fit: as good as sure that a reading slipped, then it was left middle (70 in 100) or right front (30 in 100). Read it again.",
            said,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData(0.994, "99 in 100")]
    [InlineData(0.996, "as good as sure")]
    [InlineData(0.006, "1 in 100")]
    [InlineData(0.004, "next to none")]
    public void Odds_at_their_ends_are_words(double any, string says) =>
        Assert.Contains(
            $"The largest gap is 1/2 in, more than the tape usually leaves, yet a slip is unlikely ({says})",
            Say(
                Of(
                    Rigid(
                        RigidVerdict.Doubtful,
                        any,
                        ("LM", -12.7, 0.9, null),
                        ("RF", 6, 0.02, null)
                    )
                )
            ),
            StringComparison.Ordinal
        );

    [Fact]
    public void Three_of_one_side_and_four_corners_cannot_tell_and_say_what_to_read()
    {
        (string, double, double, double?)[] side =
        [
            ("LF", 6, 0.3, null),
            ("LM", -12.7, 0.3, null),
            ("LR", 6, 0.3, null),
        ];
        Assert.Contains(
            "The stations of that side do not lie on one line: 1/2 in off it (60 in 100 that a reading slipped). Three cannot tell which; read the other side too.",
            Say(Of(Rigid(RigidVerdict.CannotTell, 0.6, side))),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "The corners are twisted by −1/2 in (60 in 100 that a reading slipped). Four corners cannot tell which; read the door handles.",
            Say(Of(Rigid(RigidVerdict.CannotTell, 0.6, [.. side, ("RF", 6, 0.1, null)]))),
            StringComparison.Ordinal
        );
    }
}
