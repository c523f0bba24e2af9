using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Geometry.Moved;

namespace Nokko.Core.Tests.Geometry;

/// <summary>What a plan does to the links of an anti-roll bar.</summary>
public class SwayBarLinksTests
{
    private static readonly (string, double)[] Bar240 =
    [
        (SuspensionSizes.BarArm, 240),
        (SuspensionSizes.BarLink, 150),
    ];

    private static Mechanism Front(
        SuspensionKind kind,
        (string, double)[] sizes,
        params PlacedPart[] parts
    ) =>
        One(
            Of(
                On(kind, SuspensionKind.CoilFourLink, sizes),
                [
                    .. new[] { Corner.LF, Corner.RF }.SelectMany(c =>
                        parts.Select(
                            (p, i) => (c, p with { Id = Sample.Id(400 + (10 * (int)c) + i) })
                        )
                    ),
                ]
            ),
            MechanismKind.SwayBar,
            "front"
        );

    private static string[] Links(SuspensionKind kind, (string, double)[] sizes, PlacedPart part) =>
        [
            .. StacksTests
                .Predict(
                    StacksTests.Both(Axle.Front, part),
                    StacksTests.On(StacksTests.Of(kind, sizes))
                )
                .Companions.Where(c =>
                    c.What.StartsWith("Sway-bar links", StringComparison.Ordinal)
                )
                .Select(c => c.What),
        ];

    [Theory]
    [InlineData(SuspensionKind.CoilFourLink, PartKind.CoilSpacer, 1)]
    [InlineData(SuspensionKind.Strut, PartKind.StrutTopSpacer, 1)]
    [InlineData(SuspensionKind.CoilOverArm, PartKind.StrutTopSpacer, 0.7)]
    public void Where_nobody_taped_how_the_bar_goes_with_the_wheel_it_is_told_by_what_carries_it(
        SuspensionKind kind,
        PartKind plate,
        double share
    )
    {
        var part = StacksTests.Part(1, plate, 40);
        var rise = StacksTests
            .Predict(
                StacksTests.Both(Axle.Front, part),
                StacksTests.On(StacksTests.Of(kind, Bar240))
            )
            .Corners.First(c => c.Corner == Corner.LF)
            .Rise.Value!.Value;
        Assert.Equal(
            [$"Sway-bar links, about {LengthText.Both(share * rise)} longer"],
            Links(kind, Bar240, part)
        );
        Assert.Equal(
            [
                $"Sway-bar links, about {LengthText.Both((kind.IsLiveAxle() ? 1 : 0.5) * rise)} longer",
            ],
            Links(kind, [.. Bar240, (SuspensionSizes.BarEndShare, 0.5)], part)
        );
    }

    [Fact]
    public void A_link_cannot_be_shorter_by_more_than_it_is_long()
    {
        var bar = new SwayBar(240, 150);
        Assert.NotNull(bar.EndAt(-150, -149));
        Assert.Null(bar.EndAt(-150, -151));
    }

    [Fact]
    public void On_a_live_axle_the_whole_lift_slopes_the_bar_and_a_link_as_much_longer_takes_it_back()
    {
        var bar = Front(
            SuspensionKind.CoilFourLink,
            Bar240,
            StacksTests.Part(1, PartKind.CoilSpacer, 40)
        );
        Assert.Equal(0, bar.Ways[0].Figure.Value);
        var lifted = Way(bar, "links left");
        var slope = new SwayBar(240, 150).SlopeRad(40)!.Value * 180 / Math.PI;
        Assert.Equal(slope, lifted.Figure.Value!.Value, 1e-6);
        Assert.Equal(40, Also(lifted, "Links that bring it back"), 1e-6);
        var longer = Way(bar, "longer");
        Assert.Equal(0, longer.Figure.Value!.Value, 1e-6);
        Assert.Equal(190, Also(longer, "The link, hole to hole"), 1e-6);
        Assert.Equal(PartKind.SwayBarLink, longer.Part);
        Assert.False(bar.Beyond);
        Assert.Empty(bar.Asks);
        // A fifth of the lift more, and it is beyond the rule of thumb.
        Assert.True(
            Front(
                SuspensionKind.CoilFourLink,
                Bar240,
                StacksTests.Part(1, PartKind.CoilSpacer, 48)
            ).Beyond
        );
    }

    [Fact]
    public void On_an_arm_only_its_share_of_the_lift_counts()
    {
        var plate = StacksTests.Part(1, PartKind.CoilSpacer, 40);
        (string, double)[] half = [.. Bar240, (SuspensionSizes.BarEndShare, 0.5)];
        var bar = Front(SuspensionKind.MultiLink, half, plate);
        var rise = One(
            Of(
                On(SuspensionKind.MultiLink, SuspensionKind.CoilFourLink, half),
                [(Corner.LF, plate), (Corner.RF, plate with { Id = Sample.Id(401) })]
            ),
            MechanismKind.SwayBar,
            "front"
        );
        Assert.Equal(bar.Says, rise.Says);
        // 1.45 to one on a multi-link: 58, half of which the foot goes down.
        Assert.Equal(29, Also(Way(bar, "links left"), "Links that bring it back"), 0.01);
        Assert.Equal(
            ["Sway-bar links, about 1 1/8 in (29 mm) longer"],
            Links(SuspensionKind.MultiLink, half, plate)
        );
        // Nobody taped where the link stands: seven tenths, and the answer asks for it.
        var untaped = Front(SuspensionKind.MultiLink, Bar240, plate);
        Assert.Equal(40.6, Also(Way(untaped, "links left"), "Links that bring it back"), 0.01);
        Assert.Equal([SuspensionSizes.BarEndShare], untaped.Asks.Select(a => a.Size));
        var asked = untaped.Asks[0];
        Assert.True(asked.ThenU < asked.NowU);
        Assert.False(untaped.Beyond);
    }

    [Fact]
    public void A_bracket_takes_arm_and_foot_down_whole_and_a_subframe_takes_the_bar_along()
    {
        (string, double)[] half = [.. Bar240, (SuspensionSizes.BarEndShare, 0.5)];
        double Longer(SuspensionKind kind, params PlacedPart[] parts) =>
            Also(Way(Front(kind, half, parts), "links left"), "Links that bring it back");
        // 60 of rise, 60 of it by the bracket: the arms lie as they lay, and the foot is 60 lower.
        Assert.Equal(
            60,
            Longer(
                SuspensionKind.CoilOverArm,
                StacksTests.Part(1, PartKind.DropBracket, 60),
                StacksTests.Part(2, PartKind.StrutTopSpacer, 60)
            ),
            2.0
        );
        // With a subframe the bar goes too: only what the arms still turn is left, here next to nothing.
        Assert.InRange(
            Longer(
                SuspensionKind.Strut,
                StacksTests.Part(1, PartKind.SubframeBlock, 30),
                StacksTests.Part(2, PartKind.StrutTopSpacer, 30)
            ),
            -1,
            2
        );
    }

    [Fact]
    public void Links_of_the_plan_are_counted_and_too_long_ones_point_the_bar_up()
    {
        PlacedPart ring = StacksTests.Part(1, PartKind.CoilSpacer, 50);
        Mechanism With(double link) =>
            Front(
                SuspensionKind.CoilFourLink,
                Bar240,
                ring,
                StacksTests.Part(2, PartKind.SwayBarLink, link)
            );
        var right = With(50);
        Assert.Equal(0, right.Stands.Figure.Value!.Value, 1e-6);
        Assert.Equal(WayKind.Planned, right.Stands.Kind);
        Assert.StartsWith(
            "As planned its arm slopes by 0.0°",
            right.Says,
            StringComparison.Ordinal
        );
        Assert.DoesNotContain(right.Ways, w => w.Kind == WayKind.Cure);
        Assert.True(With(110).Stands.Figure.Value < -10);
        Assert.True(With(110).Beyond);
        Assert.Contains("° up; with the old links", With(110).Says, StringComparison.Ordinal);
    }

    [Fact]
    public void Near_one_line_with_its_link_at_full_droop_it_says_stop()
    {
        (string, double)[] short_ =
        [
            (SuspensionSizes.BarArm, 200),
            (SuspensionSizes.BarLink, 120),
            (SuspensionSizes.ShockLength, 470),
            (SuspensionSizes.ShockExtended, 570),
            (SuspensionSizes.ShockCollapsed, 345),
        ];
        // 20 of lift and the 80 of droop that are left: 100 of the 130 at which both lie in one line.
        var bar = Front(
            SuspensionKind.CoilFourLink,
            short_,
            StacksTests.Part(1, PartKind.CoilSpacer, 20)
        );
        Assert.Equal(
            new SwayBar(200, 120).SlopeRad(100)!.Value * 180 / Math.PI,
            Also(Way(bar, "links left"), "At full droop"),
            1e-6
        );
        Assert.Null(Way(bar, "links left").Care);
        // A longer shock lets it hang 120 lower: within 20° of one line.
        var further = Front(
            SuspensionKind.CoilFourLink,
            short_,
            StacksTests.Part(1, PartKind.CoilSpacer, 20),
            StacksTests.Part(2, PartKind.Shock, null, (PartSizes.ExtendedLength, 595))
        );
        Assert.Equal(Heed.Stop, Way(further, "links left").Care!.Heed);
        Assert.InRange(new SwayBar(200, 120).FromLineRad(125)!.Value * 180 / Math.PI, 0, 20);
    }

    [Fact]
    public void Where_there_is_no_bar_nothing_is_told_of_it()
    {
        (string, double)[] none = [(SuspensionSizes.BarRate, 0)];
        var plate = StacksTests.Part(1, PartKind.CoilSpacer, 40);
        Assert.DoesNotContain(
            Of(
                On(SuspensionKind.CoilFourLink, SuspensionKind.CoilFourLink, none),
                [(Corner.LF, plate)]
            ).Mechanisms,
            m => m.Kind == MechanismKind.SwayBar && m.Where == "front"
        );
        Assert.Empty(Links(SuspensionKind.CoilFourLink, none, plate));
        Assert.NotEmpty(Links(SuspensionKind.CoilFourLink, [], plate));
    }

    /// <summary>A second way to the ±: each value one standard uncertainty higher and lower.</summary>
    [Fact]
    public void Its_uncertainty_is_what_arm_link_share_and_rise_leave_open()
    {
        var plate = StacksTests.Part(1, PartKind.CoilSpacer, 40);
        (string, double)[] half = [.. Bar240, (SuspensionSizes.BarEndShare, 0.5)];
        var geometry = Of(
            On(SuspensionKind.MultiLink, SuspensionKind.CoilFourLink, half),
            [(Corner.LF, plate), (Corner.RF, plate with { Id = Sample.Id(401) })]
        );
        var rise = geometry.FrontRise;
        double Slope(double arm, double link, double share, double lift) =>
            new SwayBar(arm, link).SlopeRad(share * lift)!.Value * 180 / Math.PI;
        double[] at = [240, 150, 0.5, rise.Value!.Value];
        double[] us = [3, 3, 0.03, rise.U!.Value];
        var sum = 0.0;
        for (var i = 0; i < 4; i++)
        {
            double Moved(double by)
            {
                var x = (double[])at.Clone();
                x[i] += by;
                return Slope(x[0], x[1], x[2], x[3]);
            }
            sum += Math.Pow((Moved(us[i]) - Moved(-us[i])) / 2, 2);
        }
        var lifted = Way(One(geometry, MechanismKind.SwayBar, "front"), "links left");
        Assert.Equal(Math.Sqrt(sum), lifted.Figure.U!.Value, lifted.Figure.U.Value * 0.02);
    }

    [Fact]
    public void Without_a_known_droop_or_with_sizes_that_nobody_taped_no_danger_is_made_up()
    {
        Mechanism With(params (string, double)[] sizes) =>
            Moved.One(
                Moved.Of(
                    StacksTests.On(StacksTests.Of(SuspensionKind.CoilFourLink, sizes)),
                    Moved.Rings(60, 0)
                ),
                MechanismKind.SwayBar,
                "front"
            );
        var taped = With((SuspensionSizes.BarArm, 180), (SuspensionSizes.BarLink, 60));
        Assert.Null(taped.Ways[1].Care);
        Assert.Contains(
            "not known",
            taped
                .Ways[1]
                .Also.Single(a => a.Label.StartsWith("At full droop", StringComparison.Ordinal))
                .Result.Cannot,
            StringComparison.Ordinal
        );
        // A shock that lets it hang 200 lower: a short arm and link would lie in one line, or not reach.
        (string, double)[] far =
        [
            (SuspensionSizes.ShockLength, 400),
            (SuspensionSizes.ShockExtended, 600),
            (SuspensionSizes.ShockCollapsed, 300),
        ];
        Assert.NotNull(
            With([.. far, (SuspensionSizes.BarArm, 180), (SuspensionSizes.BarLink, 60)])
                .Ways[1]
                .Care
        );
        Assert.Null(With(far).Ways[1].Care);
    }

    [Fact]
    public void It_says_the_slope_that_its_number_is()
    {
        var bar = Moved.One(
            Moved.Of(
                StacksTests.On(
                    StacksTests.Of(
                        SuspensionKind.CoilFourLink,
                        (SuspensionSizes.BarArm, 240),
                        (SuspensionSizes.BarLink, 150)
                    )
                ),
                Moved.Rings(60, 0)
            ),
            MechanismKind.SwayBar,
            "front"
        );
        Assert.StartsWith(
            FormattableString.Invariant($"Its arm slopes {bar.Stands.Figure.Value:0.0}° more"),
            bar.Says,
            StringComparison.Ordinal
        );
        Assert.True(bar.Beyond);
    }
}
