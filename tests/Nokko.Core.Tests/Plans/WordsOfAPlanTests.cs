using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>What a plan says of limits, of what it rests on and of what would sharpen it: only where it is so.</summary>
public class WordsOfAPlanTests
{
    private static bool Says(IEnumerable<string> words, string part) =>
        words.Any(w => w.Contains(part, StringComparison.Ordinal));

    [Theory]
    [InlineData(null, Heed.Look, "18° is the rule of thumb")]
    [InlineData(12.5, Heed.Stop, "12.5° is their limit")]
    public void A_joint_at_full_droop_is_held_against_its_own_limit_or_the_rule_of_thumb(
        double? limit,
        Heed heed,
        string says
    )
    {
        (string, double)[] sizes =
        [
            (SuspensionSizes.ShockLength, 470),
            (SuspensionSizes.ShockExtended, 560),
            (SuspensionSizes.ShockCollapsed, 345),
            (SuspensionSizes.CvDrop, 60),
            (SuspensionSizes.CvRun, 420),
            .. limit is { } l
                ? [(SuspensionSizes.CvDroopLimit, l)]
                : Array.Empty<(string, double)>(),
        ];
        var corner = TravelTests.Left(
            StacksTests.Of(SuspensionKind.MultiLink, sizes),
            StacksTests.Part(1, PartKind.CoilSpacer, 25)
        );
        // 60 taped and what the coil's spacer and the droop add, over 420: beyond 18°.
        Assert.InRange(Math.Abs(corner.CvDroop.Value!.Value), 18, 40);
        var caution = Assert.Single(
            corner.Cautions,
            c => c.Says.Contains("at full droop", StringComparison.Ordinal)
        );
        Assert.Equal(heed, caution.Heed);
        Assert.Contains(says, caution.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_ball_joint_stops_a_plan_that_swings_it_further_than_it_goes()
    {
        CornerOutlook With(double limit) =>
            TravelTests.Left(
                TravelTests.Taped((SuspensionSizes.BallJointLimit, limit)),
                TravelTests.Top()
            );
        var swing = With(40).BallJoint.Value!.Value;
        Assert.InRange(swing, 1, 40);
        bool Stops(double limit) =>
            With(limit)
                .Cautions.Any(c =>
                    c.Heed == Heed.Stop
                    && c.Says.StartsWith("The ball joint swings", StringComparison.Ordinal)
                );
        Assert.True(Stops(swing - 1));
        Assert.False(Stops(swing + 1));
    }

    [Fact]
    public void A_coil_comes_loose_only_where_it_stands_by_itself_and_where_its_own_free_length_ends()
    {
        (string, double)[] sizes =
        [
            (SuspensionSizes.SpringLength, 320),
            (SuspensionSizes.SpringFreeLength, 430),
        ];
        double? Loose(CornerOutlook corner) =>
            corner.Marks.SingleOrDefault(m => m.What == "coil comes loose")?.AtMm;
        var ring = StacksTests.Part(1, PartKind.CoilSpacer, 20);
        // One to one on a beam: free 110 below, and the ring reaches 20 further, 20 of which the lift has used.
        var byItself = TravelTests.Left(StacksTests.Of(SuspensionKind.CoilFourLink, sizes), ring);
        Assert.Equal(-110, Loose(byItself)!.Value, 1e-6);
        // A coil that comes brings its own length: 200 over its ring from 320.
        var coil = StacksTests.Part(
            2,
            PartKind.Coil,
            null,
            (PartSizes.Rate, 40),
            (PartSizes.DesignLift, 0),
            (PartSizes.DesignLoad, 3138.128),
            (PartSizes.FreeLength, 520)
        );
        var other = TravelTests.Left(StacksTests.Of(SuspensionKind.CoilFourLink, sizes), coil);
        Assert.Equal(-200 + other.Rise.Value!.Value, Loose(other)!.Value, 1e-6);
        Assert.Null(
            Loose(
                TravelTests.Left(
                    StacksTests.Of(SuspensionKind.CoilOverArm, sizes),
                    TravelTests.Top()
                )
            )
        );
        Assert.Null(
            Loose(
                TravelTests.Left(
                    StacksTests.Of(SuspensionKind.TorsionBarArm, (SuspensionSizes.LiftPerTurn, 12)),
                    Sample.Adjuster(3, 1)
                )
            )
        );
    }

    [Theory]
    [InlineData(PartKind.BodyPuck, false, false, "± 6 mm")]
    [InlineData(PartKind.BodyPuck, true, false, "5 ± 10 mm")]
    [InlineData(PartKind.BodyPuck, false, true, null)]
    [InlineData(PartKind.StrutTopSpacer, false, false, null)]
    public void Old_body_mounts_are_spoken_of_where_pucks_stand_on_them_and_nobody_taped_them(
        PartKind kind,
        bool newMounts,
        bool taped,
        string? says
    )
    {
        var basis = StacksTests
            .Predict(
                StacksTests.Both(
                    Axle.Front,
                    [
                        StacksTests.Part(1, kind, 25.4),
                        .. newMounts
                            ? [StacksTests.Part(2, PartKind.BodyMount, 40)]
                            : Array.Empty<PlacedPart>(),
                    ]
                ),
                StacksTests.On(
                    StacksTests.Of(
                        SuspensionKind.CoilOverArm,
                        taped ? [(SuspensionSizes.MountFound, 38)] : Array.Empty<(string, double)>()
                    )
                )
            )
            .Basis;
        string[] ofMounts =
        [
            .. basis.Where(s => s.Contains("old body mounts", StringComparison.Ordinal)),
        ];
        if (says is null)
        {
            Assert.Empty(ofMounts);
        }
        else
        {
            Assert.Contains(says, Assert.Single(ofMounts.Distinct()), StringComparison.Ordinal);
        }
    }

    [Fact]
    public void A_ratio_is_said_with_the_band_that_holds_it_in_ninety_five_of_a_hundred()
    {
        var p = StacksTests.Predict(
            StacksTests.Both(Axle.Front, TravelTests.Top()),
            StacksTests.On()
        );
        // The rule of thumb's ± 0.3 is one standard deviation.
        Assert.True(Says(p.Basis, "Lift ratio 1.9 ± 0.6 for a coil-over"));
    }

    [Theory]
    [InlineData(Known.Box, true)]
    [InlineData(Known.Measured, false)]
    public void Taping_the_parts_sharpens_a_plan_only_where_nobody_taped_them(
        Known known,
        bool sharpens
    )
    {
        PlacedPart Of(int id, Known how) =>
            Sample.Plate(id, 25.4) with
            {
                Thickness = Sample.Mm(25.4, how) with { U = how == Known.Measured ? null : 4 },
            };
        string[] What(params PlacedPart[] parts)
        {
            var vehicle = StacksTests.On();
            return
            [
                .. Sharper
                    .Of(
                        StacksTests.Both(Axle.Front, parts),
                        new Situation(Sample.AsFound, vehicle, Sample.Stance(vehicle))
                        {
                            Target = Sample.Level,
                        }
                    )
                    .Where(s => s.Axle == Axle.Front)
                    .Select(s => s.What),
            ];
        }
        Assert.Equal(sharpens, What(Of(1, known)).Contains("Thickness of the parts, taped"));
        // One of two that nobody taped is enough.
        Assert.Contains(
            "Thickness of the parts, taped",
            What(Of(1, Known.Measured), Of(2, Known.Box) with { Kind = PartKind.PreloadSpacer })
        );
    }

    [Fact]
    public void A_corner_that_nobody_read_leaves_the_others_their_prediction()
    {
        var stance = StanceOf.Compute(
            Sample.Round(40, Sample.AsFound.Id),
            [
                .. Sample
                    .Readings(100, 40, 520, 1040, 580, 580, 1040, 520)
                    .Where(r => r.Place.Name != "LF"),
            ],
            Sample.Pickup
        );
        var p = Predictor.Predict(
            Sample.Plan((Corner.LF, Sample.Plate(1, 30)), (Corner.RF, Sample.Plate(2, 30))),
            new Situation(Sample.AsFound, Sample.Pickup, stance) { Target = Sample.Level }
        );
        Assert.Equal(3 + (1.9 * 30), p.FrontRise.Value!.Value, 1e-6);
    }

    [Fact]
    public void Companions_go_by_the_mean_of_both_sides()
    {
        // A beam that rises by 60 at the left and 30 at the right: its bar swings by 45.
        var vehicle = StacksTests.On(
            StacksTests.Of(
                SuspensionKind.CoilFourLink,
                (SuspensionSizes.TrackBarRun, 860),
                (SuspensionSizes.TrackBarDrop, 60)
            )
        );
        string Bar(double left, double right) =>
            StacksTests
                .Predict(
                    Sample.Plan(
                        (Corner.LF, Sample.Plate(1, left, PartKind.CoilSpacer)),
                        (Corner.RF, Sample.Plate(2, right, PartKind.CoilSpacer))
                    ),
                    vehicle
                )
                .Companions.Single(c => c.What.StartsWith("Track bar", StringComparison.Ordinal))
                .What;
        Assert.Equal(Bar(45, 45), Bar(60, 30));
        Assert.NotEqual(Bar(30, 30), Bar(60, 30));
    }

    [Theory]
    [InlineData(SuspensionKind.Strut, PartKind.SubframeBlock, null, true)]
    [InlineData(SuspensionKind.Strut, PartKind.SubframeBlock, PartKind.StrutTopSpacer, false)]
    [InlineData(SuspensionKind.Strut, PartKind.SubframeBlock, PartKind.BumpStopExtension, true)]
    [InlineData(SuspensionKind.CoilOverArm, PartKind.DropBracket, null, true)]
    [InlineData(SuspensionKind.CoilOverArm, PartKind.DropBracket, PartKind.PreloadSpacer, false)]
    // A bracket under the arms of a beam turns it for its caster: no spring belongs to it.
    [InlineData(SuspensionKind.CoilRadiusArm, PartKind.DropBracket, null, false)]
    public void Pivots_that_come_down_ask_for_springs_that_are_spaced_as_far(
        SuspensionKind on,
        PartKind lowers,
        PartKind? beside,
        bool asks
    )
    {
        var p = StacksTests.Predict(
            StacksTests.Both(
                Axle.Front,
                [
                    StacksTests.Part(1, lowers, 30),
                    .. beside is { } kind
                        ? [StacksTests.Part(2, kind, 30)]
                        : Array.Empty<PlacedPart>(),
                ]
            ),
            StacksTests.On(StacksTests.Of(on))
        );
        var spaced = p
            .Companions.Where(c =>
                c.What.StartsWith("Spring or strut spacers", StringComparison.Ordinal)
            )
            .ToArray();
        Assert.Equal(asks, spaced.Length == 1);
        Assert.All(spaced, c => Assert.False(c.Placed));
    }
}
