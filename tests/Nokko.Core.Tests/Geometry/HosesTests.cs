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

/// <summary>What a wheel that hangs lower leaves of hose, lead and breather.</summary>
public class HosesTests
{
    /// <summary>90 of droop; a shock of 595 lets it hang 35 lower.</summary>
    private static readonly (string, double)[] Shocks =
    [
        (SuspensionSizes.ShockLength, 470),
        (SuspensionSizes.ShockExtended, 560),
        (SuspensionSizes.ShockCollapsed, 345),
    ];

    private static readonly PlacedPart Longer = StacksTests.Part(
        1,
        PartKind.Shock,
        null,
        (PartSizes.ExtendedLength, 595)
    );

    private static Mechanism Rear(
        (string, double)[] sizes,
        Part[] shelf,
        params PlacedPart[] parts
    ) =>
        One(
            Of(
                StacksTests.On(
                    StacksTests.Of(SuspensionKind.CoilFourLink),
                    StacksTests.Of(SuspensionKind.CoilFourLink, [.. Shocks, .. sizes])
                ),
                [
                    .. new[] { Corner.LR, Corner.RR }.SelectMany(c =>
                        parts.Select(
                            (p, i) => (c, p with { Id = Sample.Id(500 + (10 * (int)c) + i) })
                        )
                    ),
                ],
                shelf
            ),
            MechanismKind.Hoses,
            "rear"
        );

    [Fact]
    public void A_wheel_that_hangs_lower_takes_as_much_of_every_slack()
    {
        var hoses = Rear(
            [
                (SuspensionSizes.HoseSlack, 60),
                (SuspensionSizes.LeadSlack, 50),
                (SuspensionSizes.BreatherSlack, 120),
            ],
            [],
            Longer,
            StacksTests.Part(2, PartKind.CoilSpacer, 30)
        );
        var lifted = Way(hoses, "Lifted");
        Assert.Equal([25, 15, 85], lifted.Also.Select(a => Math.Round(a.Result.Value!.Value, 6)));
        // The one that has least decides.
        Assert.Equal(15, lifted.Figure.Value!.Value, 1e-6);
        Assert.Equal(50, hoses.Ways[0].Figure.Value!.Value, 9);
        Assert.Contains("sensor lead", hoses.Says, StringComparison.Ordinal);
        Assert.False(hoses.Beyond);
        Assert.Equal([SuspensionSizes.CableSlack], hoses.Asks.Select(a => a.Size));
        Assert.Contains(hoses.Checks, c => c.Contains("load valve", StringComparison.Ordinal));
    }

    [Fact]
    public void A_shop_that_keeps_more_slack_holds_it_in_geometry_cautions_and_limits_alike()
    {
        var vehicle = StacksTests.On(
            StacksTests.Of(SuspensionKind.CoilFourLink),
            StacksTests.Of(
                SuspensionKind.CoilFourLink,
                [.. Shocks, (SuspensionSizes.HoseSlack, 60)]
            )
        );
        var plan = Sample.Plan([
            .. new[] { Corner.LR, Corner.RR }.SelectMany(c =>
                new[] { Longer, StacksTests.Part(2, PartKind.CoilSpacer, 30) }.Select(
                    (p, i) => (c, p with { Id = Sample.Id(500 + (10 * (int)c) + i) })
                )
            ),
        ]);
        (Mechanism Hoses, CornerOutlook Corner) With(params GeometryLimit[] own)
        {
            var situation = new Situation(Sample.AsFound, vehicle, Sample.Stance(vehicle))
            {
                Limits = new(own),
            };
            return (
                One(PlanGeometry.Of(plan, situation), MechanismKind.Hoses, "rear"),
                Predictor.Predict(plan, situation).Corners.Single(c => c.Corner == Corner.LR)
            );
        }
        // 25 are left.
        var (usual, corner) = With();
        Assert.False(usual.Beyond);
        Assert.DoesNotContain(
            corner.Cautions,
            c => c.Says.Contains("hose", StringComparison.Ordinal)
        );
        var (strict, kept) = With(new GeometryLimit(MechanismKind.Hoses, Sample.Mm(30)));
        Assert.True(strict.Beyond);
        Assert.Contains(
            "1 3/16 in (30 mm), our own limit, must be",
            strict.Says,
            StringComparison.Ordinal
        );
        Assert.Contains(
            kept.Cautions,
            c =>
                c.Heed == Heed.Stop
                && c.Says.Contains("(30 mm) is the least", StringComparison.Ordinal)
        );
        double Use(CornerOutlook of) =>
            of.Uses.Single(l => l.What.Contains("hose", StringComparison.Ordinal)).Share;
        Assert.Equal(Use(corner) * 30 / 12, Use(kept), 1e-9);
        // What must be left has a least: more is better.
        Assert.True(GeometryLimits.RuleOf(MechanismKind.Hoses)!.Least);
    }

    [Fact]
    public void Where_it_hangs_no_lower_nothing_is_taken()
    {
        // A ring on the coil raises the body; the old shock ends the droop where it did.
        var hoses = Rear(
            [(SuspensionSizes.HoseSlack, 5)],
            [],
            StacksTests.Part(2, PartKind.CoilSpacer, 40)
        );
        Assert.False(hoses.Beyond);
        Assert.DoesNotContain(hoses.Ways, w => w.Kind == WayKind.Lifted);
        Assert.StartsWith("It hangs no lower", hoses.Says, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(48, false, null)]
    [InlineData(46, true, null)]
    [InlineData(34, true, Heed.Stop)]
    public void Twelve_millimetres_are_left_or_it_is_beyond_and_a_pulled_one_stops(
        double slack,
        bool beyond,
        Heed? heed
    )
    {
        var hoses = Rear([(SuspensionSizes.HoseSlack, slack)], [], Longer);
        Assert.Equal(beyond, hoses.Beyond);
        Assert.Equal(heed, Way(hoses, "Lifted").Care?.Heed);
        Assert.Equal(beyond, hoses.Ways.Any(w => w.Kind == WayKind.Cure));
    }

    [Fact]
    public void The_shortest_bracket_at_hand_that_is_enough_is_offered_and_one_in_the_plan_counts_for_the_hose_alone()
    {
        Part Bracket(int n, double reach) =>
            new()
            {
                Id = Sample.Id(900 + n),
                Number = $"HB {n}",
                Name = $"Sedge hose bracket {n}",
                Kind = PartKind.BrakeHoseBracket,
                Thickness = Sample.Mm(reach),
                Count = 2,
            };
        var open = Rear(
            [(SuspensionSizes.HoseSlack, 40), (SuspensionSizes.LeadSlack, 90)],
            [Bracket(1, 60), Bracket(2, 25), Bracket(3, 6)],
            Longer
        );
        // 5 left, 7 short: 6 is nearest and not enough, 25 is.
        Assert.Equal(30, Way(open, "Sedge hose bracket 2").Figure.Value!.Value, 1e-6);
        var planned = Rear(
            [(SuspensionSizes.HoseSlack, 40), (SuspensionSizes.LeadSlack, 45)],
            [],
            Longer,
            StacksTests.Part(2, PartKind.BrakeHoseBracket, 25)
        );
        Assert.Equal(
            [30, 10],
            Way(planned, "As planned").Also.Select(a => Math.Round(a.Result.Value!.Value, 6))
        );
        // The lead is still short, whatever the hose has.
        Assert.True(planned.Beyond);
        Assert.DoesNotContain(planned.Ways, w => w.Kind == WayKind.Cure);
    }

    [Fact]
    public void A_longer_hose_whose_length_nobody_entered_is_asked_and_never_guessed()
    {
        var hose = StacksTests.Part(2, PartKind.BrakeHose);
        var hoses = Rear([(SuspensionSizes.HoseSlack, 40)], [], Longer, hose);
        Assert.Equal(
            "How much longer the new hose is was not entered.",
            Way(hoses, "As planned").Figure.Cannot
        );
        Assert.False(hoses.Beyond);
        // The plan's own corners say the same.
        CornerOutlook Corner(params PlacedPart[] parts) =>
            StacksTests
                .Predict(
                    StacksTests.Both(Axle.Rear, parts),
                    StacksTests.On(
                        rear: StacksTests.Of(
                            SuspensionKind.CoilFourLink,
                            [.. Shocks, (SuspensionSizes.HoseSlack, 40)]
                        )
                    )
                )
                .Corners.Single(c => c.Corner == Nokko.Core.Vehicles.Corner.LR);
        Assert.Null(Corner(Longer, hose).HoseSlack.Value);
        Assert.Equal(5, Corner(Longer).HoseSlack.Value!.Value, 1e-6);
        Assert.Equal(
            30,
            Corner(
                Longer,
                StacksTests.Part(2, PartKind.BrakeHoseBracket, 25)
            ).HoseSlack.Value!.Value,
            1e-6
        );
        Assert.Equal(
            45,
            Corner(Longer, StacksTests.Part(2, PartKind.BrakeHose, 40)).HoseSlack.Value!.Value,
            1e-6
        );
    }

    [Theory]
    [InlineData(SuspensionSizes.CableSlack, "park-brake cable")]
    [InlineData(SuspensionSizes.RodSlack, "level sensor or load valve")]
    public void A_cable_or_a_rod_that_ends_first_decides_and_no_hose_bracket_helps_it(
        string size,
        string said
    )
    {
        var hoses = Rear(
            [(SuspensionSizes.HoseSlack, 60), (size, 30)],
            [],
            Longer,
            StacksTests.Part(2, PartKind.CoilSpacer, 30),
            StacksTests.Part(3, PartKind.BrakeHoseBracket, 40)
        );
        Assert.Equal([65, -5], hoses.Stands.Also.Select(a => Math.Round(a.Result.Value!.Value, 6)));
        Assert.Contains(
            $"The {said} is pulled",
            hoses.Stands.Care!.Says.Replace("rod of the ", "", StringComparison.Ordinal),
            StringComparison.Ordinal
        );
        Assert.True(hoses.Beyond);
        Assert.Equal(
            size == SuspensionSizes.RodSlack,
            hoses.Checks.All(c => !c.Contains("load valve", StringComparison.Ordinal))
        );
    }

    [Fact]
    public void Nothing_taped_asks_and_an_independent_corner_has_no_breather()
    {
        var hoses = Rear([], [], Longer);
        Assert.Null(hoses.Stands.Figure.Value);
        Assert.False(hoses.Beyond);
        Assert.Equal(
            [
                SuspensionSizes.HoseSlack,
                SuspensionSizes.LeadSlack,
                SuspensionSizes.BreatherSlack,
                SuspensionSizes.CableSlack,
            ],
            hoses.Asks.Select(a => a.Size)
        );
        var front = One(
            Of(StacksTests.On(), [(Corner.LF, StacksTests.Part(1, PartKind.StrutTopSpacer, 25))]),
            MechanismKind.Hoses,
            "front"
        );
        // What stops a front wheel is no park brake.
        Assert.Equal(
            [SuspensionSizes.HoseSlack, SuspensionSizes.LeadSlack],
            front.Asks.Select(a => a.Size)
        );
    }

    [Fact]
    public void A_bracket_or_a_link_on_one_side_leaves_the_other_as_it_was()
    {
        PlacedPart On(int id, PlacedPart part) => part with { Id = Sample.Id(id) };
        var bracket = StacksTests.Part(1, PartKind.BrakeHoseBracket, 25);
        var link = StacksTests.Part(1, PartKind.SwayBarLink, 40);
        var ring = StacksTests.Part(1, PartKind.CoilSpacer, 40);
        PlanGeometry With(params (Corner, PlacedPart)[] more) =>
            Of(
                StacksTests.On(
                    StacksTests.Of(SuspensionKind.CoilFourLink),
                    StacksTests.Of(
                        SuspensionKind.CoilFourLink,
                        [
                            .. Shocks,
                            (SuspensionSizes.HoseSlack, 40),
                            (SuspensionSizes.BarArm, 240),
                            (SuspensionSizes.BarLink, 150),
                        ]
                    )
                ),
                [
                    (Corner.LR, On(601, Longer)),
                    (Corner.RR, On(602, Longer)),
                    (Corner.LR, On(603, ring)),
                    (Corner.RR, On(604, ring)),
                    .. more,
                ]
            );
        var one = With((Corner.RR, On(605, bracket)), (Corner.LR, On(606, link)));
        var both = With(
            (Corner.RR, On(605, bracket)),
            (Corner.LR, On(607, bracket)),
            (Corner.LR, On(606, link)),
            (Corner.RR, On(608, link))
        );
        Assert.Equal(5, One(one, MechanismKind.Hoses, "rear").Stands.Figure.Value!.Value, 1e-6);
        Assert.True(One(one, MechanismKind.Hoses, "rear").Beyond);
        Assert.Equal(30, One(both, MechanismKind.Hoses, "rear").Stands.Figure.Value!.Value, 1e-6);
        Assert.False(One(both, MechanismKind.Hoses, "rear").Beyond);
        Assert.Equal(
            "As planned: further on one side only",
            One(one, MechanismKind.Hoses, "rear").Stands.Said
        );
        Assert.StartsWith(
            "As planned: the brake hose reaches",
            One(both, MechanismKind.Hoses, "rear").Stands.Said,
            StringComparison.Ordinal
        );
        var (left, set) = (
            One(one, MechanismKind.SwayBar, "rear"),
            One(both, MechanismKind.SwayBar, "rear")
        );
        Assert.Equal(
            Way(left, "links left").Figure.Value!.Value,
            left.Stands.Figure.Value!.Value,
            1e-9
        );
        Assert.Contains("one side only", left.Stands.Said, StringComparison.Ordinal);
        Assert.Equal(0, set.Stands.Figure.Value!.Value, 1e-6);
    }

    [Fact]
    public void A_hose_of_unknown_length_on_one_side_leaves_it_untold_and_just_enough_needs_nothing()
    {
        (Corner, PlacedPart)[] parts =
        [
            .. new[] { Corner.LR, Corner.RR }.SelectMany(
                (c, i) =>
                    new[]
                    {
                        (c, Longer with { Id = Sample.Id(510 + i) }),
                        (
                            c,
                            StacksTests.Part(2, PartKind.BrakeHose, i == 0 ? null : 40) with
                            {
                                Id = Sample.Id(520 + i),
                            }
                        ),
                    }
            ),
        ];
        Mechanism With(double slack, (Corner, PlacedPart)[] fitted) =>
            One(
                Of(
                    StacksTests.On(
                        StacksTests.Of(SuspensionKind.CoilFourLink),
                        StacksTests.Of(
                            SuspensionKind.CoilFourLink,
                            [.. Shocks, (SuspensionSizes.HoseSlack, slack)]
                        )
                    ),
                    fitted
                ),
                MechanismKind.Hoses,
                "rear"
            );
        var untold = With(40, parts);
        Assert.Equal("As planned: another brake hose", untold.Stands.Said);
        Assert.Contains("was not entered", untold.Stands.Figure.Cannot, StringComparison.Ordinal);
        // 35 lower of 47 leaves just what must be left.
        var enough = With(47, [.. parts.Where(p => p.Item2.Kind == PartKind.Shock)]);
        Assert.Equal(12, enough.Stands.Figure.Value!.Value, 1e-9);
        Assert.False(enough.Beyond);
        Assert.DoesNotContain(enough.Ways, w => w.Kind == WayKind.Cure);
    }
}
