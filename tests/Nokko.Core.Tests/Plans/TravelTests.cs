using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>What a plan leaves of travel, angles and slack. The linkage is the worked one of docs/computation/lifts.md#coil-over-on-a-lower-arm.</summary>
public class TravelTests
{
    private const double Ride = 527.376;

    /// <summary>The bushings' offset raises the body by 3 mm: that much goes from droop to bump.</summary>
    private const double Offset = 3;

    private static readonly (double Y, double Z)[] Worked =
    [
        (230, 250),
        (620, 215),
        (330, 585),
        (600, 560),
        (455, 245),
        (405, 770),
        (690, 385),
    ];

    internal static Nokko.Core.Vehicles.Suspension Taped(params (string, double)[] sizes) =>
        StacksTests.Of(
            SuspensionKind.CoilOverArm,
            [
                (SuspensionSizes.SpringLength, Ride),
                (SuspensionSizes.StrutExtended, Ride + 45),
                (SuspensionSizes.StrutCollapsed, Ride - 75),
                .. sizes,
            ]
        ) with
        {
            Points = StacksTests.Points(SuspensionKind.CoilOverArm, Worked),
        };

    internal static CornerOutlook Left(
        Nokko.Core.Vehicles.Suspension front,
        params PlacedPart[] parts
    ) =>
        StacksTests
            .Predict(StacksTests.Both(Axle.Front, parts), StacksTests.On(front))
            .Corners.Single(c => c.Corner == Corner.LF);

    internal static PlacedPart Top(double mm = 25.4) =>
        StacksTests.Part(1, PartKind.StrutTopSpacer, mm);

    private static PlacedPart Preload(double mm = 25.4) =>
        StacksTests.Part(1, PartKind.PreloadSpacer, mm);

    [Fact]
    public void Top_and_preload_leave_the_worked_travel()
    {
        var top = Left(Taped(), Top());
        Assert.Equal(77.74, top.StandardDroop.Value!.Value, 2);
        Assert.Equal(132.17, top.StandardBump.Value!.Value, 2);
        Assert.Equal(76.47 - Offset, top.Droop.Value!.Value, 2);
        Assert.Equal(131.17 + Offset, top.Bump.Value!.Value, 2);
        var preload = Left(Taped(), Preload());
        Assert.Equal(33.65 - Offset, preload.Droop.Value!.Value, 2);
        Assert.Equal(176.27 + Offset, preload.Bump.Value!.Value, 2);
        var bound = Left(Taped((SuspensionSizes.CoilBind, Ride - 83)), Preload());
        Assert.Equal(145.33 + Offset, bound.Bump.Value!.Value, 2);
        Assert.Equal("coil binds", bound.Marks.Single(m => m.Ends && m.AtMm > 0).What);
    }

    [Fact]
    public void Camber_and_track_are_the_worked_numbers_and_shown_only_of_taped_points()
    {
        // The offset turns the arms a little further than the plate alone.
        var exact = new DoubleWishbone(
            new(
                new(230, 250),
                new(620, 215),
                new(330, 585),
                new(600, 560),
                new(455, 245),
                new(405, 770),
                new(690, 385)
            )
        )
            .At(Ride + 25.4 + 1.7)!
            .Value;
        var top = Left(Taped(), Top());
        Assert.Equal(double.RadiansToDegrees(exact.CamberChangeRad), top.Camber.Value!.Value, 0.02);
        Assert.Equal(exact.TrackChangeMm, top.Track.Value!.Value, 0.3);
        var archetype = StacksTests.Of(
            SuspensionKind.CoilOverArm,
            (SuspensionSizes.ArmLength, 392)
        );
        Assert.Equal("Only taped points tell it.", Left(archetype, Top()).Camber.Cannot);
    }

    [Fact]
    public void Pivots_lowered_with_the_frame_leave_travel_and_angles_as_they_were()
    {
        // A kit spaces the strut by as much as it lowers the pivots: one to one.
        var kit = Left(
            Taped((SuspensionSizes.CoilBind, Ride - 83)),
            StacksTests.Part(1, PartKind.DropBracket, 60),
            StacksTests.Part(2, PartKind.StrutTopSpacer, 60)
        );
        Assert.InRange(kit.Rise.Value!.Value, 59, 64);
        Assert.Equal(kit.StandardDroop.Value!.Value, kit.Droop.Value!.Value, 1.0);
        Assert.Equal(kit.StandardBump.Value!.Value, kit.Bump.Value!.Value, 1.0);
        Assert.Equal(0, kit.Camber.Value!.Value, 0.02);
        Assert.Equal(0, kit.BallJointRide.Value!.Value, 0.6);
        Assert.Equal(0, kit.Track.Value!.Value, 0.6);
        // A thicker plate turns the arms by what it is more.
        var both = Left(
            Taped(),
            StacksTests.Part(1, PartKind.DropBracket, 60),
            StacksTests.Part(2, PartKind.StrutTopSpacer, 85.4)
        );
        Assert.Equal(Left(Taped(), Top()).Camber.Value!.Value, both.Camber.Value!.Value, 0.03);
    }

    [Fact]
    public void A_limit_is_used_on_the_point_that_holds_in_ninety_five_of_a_hundred()
    {
        var top = Left(Taped(), Top());
        var use = top.Uses.Single(u => u.What == "droop");
        var (left, own, rise) = (top.Droop.Value!.Value, top.Droop.U!.Value, top.Rise.U!.Value);
        Assert.Equal(
            1 - ((left - (1.645 * double.Hypot(own, rise))) / top.StandardDroop.Value!.Value),
            use.Share,
            1e-9
        );
        Assert.True(use.Share > 1 - (left / top.StandardDroop.Value.Value));
    }

    [Fact]
    public void A_preload_beyond_the_struts_length_lifts_no_further_and_is_stopped()
    {
        var topped = Left(Taped(), Preload(50));
        Assert.True(topped.ToppedOut);
        Assert.Equal(0, topped.Droop.Value!.Value, 6);
        Assert.Equal(77.74 + Offset, topped.Rise.Value!.Value, 2);
        Assert.Equal(Heed.Stop, topped.Cautions[0].Heed);
        Assert.Contains("full length", topped.Cautions[0].Says, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_not_known_is_asked_for_and_never_a_number()
    {
        var left = Left(StacksTests.Of(SuspensionKind.CoilOverArm), Top());
        Assert.Null(left.Droop.Value);
        Assert.Contains("fully extended", left.Droop.Cannot, StringComparison.Ordinal);
        Assert.Empty(left.Marks);
    }

    [Fact]
    public void A_plate_outside_the_strut_says_that_droop_goes_lower_and_takes_the_hoses_slack()
    {
        var top = Left(Taped((SuspensionSizes.HoseSlack, 50)), Top());
        Assert.Contains(top.Cautions, c => c.Says.Contains("hang lower", StringComparison.Ordinal));
        // Full droop goes lower by what the longer strut reaches: from 45 to 70.4 mm beyond ride.
        var linkage = new DoubleWishbone(
            new(
                new(230, 250),
                new(620, 215),
                new(330, 585),
                new(600, 560),
                new(455, 245),
                new(405, 770),
                new(690, 385)
            )
        );
        var gained = linkage.LiftMm(70.4)!.Value - linkage.LiftMm(45)!.Value;
        Assert.Equal(50 - gained, top.HoseSlack.Value!.Value, 3);
        Assert.Contains(
            top.Cautions,
            c => c.Says.Contains("hose slack is left", StringComparison.Ordinal)
        );
        // Inside the strut full droop stays where it was.
        Assert.Equal(
            60,
            Left(Taped((SuspensionSizes.HoseSlack, 60)), Preload()).HoseSlack.Value!.Value,
            9
        );
    }

    [Fact]
    public void A_stop_that_meets_too_late_is_made_longer_by_what_is_missing()
    {
        var late = Taped((SuspensionSizes.BumpStopGap, 80), (SuspensionSizes.BumpStopHeight, 50));
        var left = Left(late, Top());
        // On an arm a stop moves 0.65 of the wheel; it is squeezed to 0.4 of its height; 5 mm are kept before the strut's end.
        var strutEnd = left.Bump.Value!.Value - left.Rise.Value!.Value;
        var needed = ((80 + (0.4 * 50)) / 0.65) - (strutEnd - 5);
        Assert.Equal(Math.Max(0, needed * 0.65), left.StopExtension.Value!.Value, 6);
        var longer = Left(
            late,
            Top(),
            StacksTests.Part(
                2,
                PartKind.BumpStopExtension,
                Math.Ceiling(left.StopExtension.Value.Value)
            )
        );
        Assert.Equal(0, longer.StopExtension.Value!.Value, 6);
    }

    [Fact]
    public void A_lower_differential_takes_back_the_angle_of_the_shafts()
    {
        var front = Taped((SuspensionSizes.CvDrop, 20), (SuspensionSizes.CvRun, 420));
        var left = Left(front, Top());
        Assert.Equal(
            double.RadiansToDegrees(Math.Atan2(20 + left.Rise.Value!.Value, 420)),
            left.CvRide.Value!.Value,
            9
        );
        Assert.Contains(
            left.Cautions,
            c => c.Says.Contains("rule of thumb", StringComparison.Ordinal)
        );
        var dropped = Left(front, Top(), StacksTests.Part(2, PartKind.DiffDrop, 25));
        Assert.Equal(
            double.RadiansToDegrees(Math.Atan2(20 + left.Rise.Value!.Value - 25, 420)),
            dropped.CvRide.Value!.Value,
            9
        );
        // The fitter's own limit decides, and stops.
        var strict = Left(
            Taped(
                (SuspensionSizes.CvDrop, 20),
                (SuspensionSizes.CvRun, 420),
                (SuspensionSizes.CvDroopLimit, 12)
            ),
            Top()
        );
        Assert.Contains(
            strict.Cautions,
            c => c.Heed == Heed.Stop && c.Says.Contains("12°", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Studs_that_find_no_room_are_cut_to_a_stated_length_or_another_plate_is_chosen()
    {
        var plate = StacksTests.Part(1, PartKind.StrutTopSpacer, 25.4, (PartSizes.Recess, 18));
        Assert.Contains(
            Left(Taped((SuspensionSizes.StudLength, 26)), plate).Cautions,
            c => c.Heed == Heed.Stop && c.Says.Contains("cut them to", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(
            Left(Taped((SuspensionSizes.StudLength, 16)), plate).Cautions,
            c => c.Says.Contains("cut them to", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void On_a_live_axle_the_shock_ends_the_droop_and_a_longer_one_may_let_the_coil_go()
    {
        var rear = StacksTests.Of(
            SuspensionKind.CoilFourLink,
            (SuspensionSizes.ShockLength, 500),
            (SuspensionSizes.ShockExtended, 590),
            (SuspensionSizes.ShockCollapsed, 380),
            (SuspensionSizes.SpringLength, 320),
            (SuspensionSizes.SpringFreeLength, 430)
        );
        CornerOutlook Rear(params PlacedPart[] parts) =>
            StacksTests
                .Predict(StacksTests.Both(Axle.Rear, parts), StacksTests.On(rear: rear))
                .Corners.Single(c => c.Corner == Corner.LR);
        var ring = StacksTests.Part(1, PartKind.CoilSpacer, 20);
        var left = Rear(ring);
        Assert.Equal(90 - 20, left.Droop.Value!.Value, 6);
        Assert.Equal(120 + 20, left.Bump.Value!.Value, 6);
        Assert.DoesNotContain(
            left.Cautions,
            c => c.Says.Contains("comes loose", StringComparison.Ordinal)
        );
        var shock = StacksTests.Part(2, PartKind.Shock, null, (PartSizes.ExtendedLength, 660));
        var longer = Rear(ring, shock);
        Assert.Equal(160 - 20, longer.Droop.Value!.Value, 6);
        // Free at 430 and the ring: 130 below ride, before the shock's 160.
        Assert.Contains(
            longer.Cautions,
            c => c.Heed == Heed.Stop && c.Says.Contains("comes loose", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_coil_by_itself_binds_by_its_own_taped_length_and_sooner_under_a_ring()
    {
        // Taped at 290 on a suspension whose usual coil is longer: only the way from ride height counts.
        var rear = StacksTests.Of(
            SuspensionKind.CoilFourLink,
            (SuspensionSizes.SpringLean, 2),
            (SuspensionSizes.SpringLength, 290),
            (SuspensionSizes.CoilBind, 180),
            (SuspensionSizes.Sag, 0)
        );
        CornerOutlook Rear(params PlacedPart[] parts) =>
            StacksTests
                .Predict(StacksTests.Both(Axle.Rear, parts), StacksTests.On(rear: rear))
                .Corners.Single(c => c.Corner == Corner.LR);
        Assert.Equal(110, Rear().Bump.Value!.Value, 1.0);
        // The ring lifts by its height and is squeezed with the coil: bound at the same place of the axle to the ring's top.
        var ring = Rear(StacksTests.Part(1, PartKind.CoilSpacer, 20));
        Assert.Equal(110, ring.Bump.Value!.Value, 1.0);
        // Another coil brings the length at which it binds itself.
        var coil = StacksTests.Part(
            2,
            PartKind.Coil,
            null,
            (PartSizes.Rate, 40),
            (PartSizes.DesignLift, 0),
            (PartSizes.DesignLoad, 3138.128),
            (PartSizes.BindLength, 200)
        );
        Assert.Equal(90, Rear(coil).Bump.Value!.Value, 1.0);
    }

    [Fact]
    public void The_most_restrictive_end_is_the_one()
    {
        var strapped = Left(Taped((SuspensionSizes.StrapSlack, 30)), Preload(10));
        Assert.Equal("limit strap tight", strapped.Marks.Single(m => m.Ends && m.AtMm < 20).What);
        var tyre = Left(Taped((SuspensionSizes.TyreGap, 60)), Top());
        Assert.Equal("tyre touches", tyre.Marks.Single(m => m.Ends && m.AtMm > 0).What);
        Assert.Equal(60 + tyre.Rise.Value!.Value, tyre.Bump.Value!.Value, 6);
    }

    /// <summary>An end of the wheel's travel against where the wheel rests, mm.</summary>
    private static double End(string what, params PlacedPart[] parts)
    {
        var left = Left(Taped((SuspensionSizes.CoilBind, Ride - 60)), parts);
        return left.Marks.Single(m => m.What == what).AtMm - left.Rise.Value!.Value;
    }

    [Fact]
    public void A_coil_that_is_preloaded_binds_sooner_and_the_strut_s_own_ends_stay()
    {
        Assert.Equal(End("strut at full length"), End("strut at full length", Preload(10)), 6);
        Assert.Equal(End("strut collapsed"), End("strut collapsed", Preload(10)), 6);
        // Ten at the strut are more at the wheel.
        Assert.InRange(End("coil binds") - End("coil binds", Preload(10)), 10.1, 30);
    }

    [Theory]
    [InlineData(true, false, true)]
    [InlineData(true, true, false)]
    [InlineData(false, false, false)]
    public void The_hose_is_asked_about_where_the_droop_is_known_and_it_is_not(
        bool droop,
        bool hose,
        bool asked
    )
    {
        var taped = Taped(hose ? [(SuspensionSizes.HoseSlack, 80)] : []);
        var plan = StacksTests.Predict(
            StacksTests.Both(Axle.Front, Top()),
            StacksTests.On(droop ? taped : StacksTests.Of(SuspensionKind.CoilOverArm))
        );
        Assert.Equal(
            asked,
            plan.Companions.Any(c => c.What.StartsWith("Hose slack", StringComparison.Ordinal))
        );
    }

    [Fact]
    public void Companions_follow_the_stack_and_are_ticked_off_when_they_are_in()
    {
        Prediction Plan(params PlacedPart[] parts) =>
            StacksTests.Predict(
                StacksTests.Both(Axle.Front, parts),
                StacksTests.On(Taped((SuspensionSizes.HoseSlack, 80)))
            );
        var bare = Plan(Top());
        Assert.Contains(
            bare.Companions,
            c => c.What.StartsWith("Sway-bar links", StringComparison.Ordinal) && !c.Placed
        );
        Assert.Contains(
            bare.Companions,
            c => c.What.StartsWith("Room for the strut's studs", StringComparison.Ordinal)
        );
        var with = Plan(Top(), StacksTests.Part(2, PartKind.SwayBarLink, 38));
        Assert.Contains(
            with.Companions,
            c => c.What.StartsWith("Sway-bar links", StringComparison.Ordinal) && c.Placed
        );
        Assert.Empty(StacksTests.Predict(Sample.Plan(), StacksTests.On()).Companions);
    }

    /// <summary>What turns or shifts a live axle back is ticked off by the part that does it, and by no other.</summary>
    [Theory]
    [InlineData(SuspensionKind.CoilRadiusArm, PartKind.CoilSpacer, PartKind.TrackBar, "Track bar")]
    [InlineData(
        SuspensionKind.CoilRadiusArm,
        PartKind.CoilSpacer,
        PartKind.TrackBarBracket,
        "Track bar"
    )]
    [InlineData(SuspensionKind.CoilRadiusArm, PartKind.CoilSpacer, PartKind.CasterBush, "Caster")]
    [InlineData(SuspensionKind.LeafUnderslung, PartKind.Shackle, PartKind.AxleShim, "Caster")]
    public void What_takes_an_axle_back_is_ticked_off_by_its_part(
        SuspensionKind kind,
        PartKind lifts,
        PartKind cure,
        string companion
    )
    {
        bool Placed(params PlacedPart[] parts) =>
            StacksTests
                .Predict(
                    StacksTests.Both(Axle.Front, parts),
                    StacksTests.On(new() { Kind = kind, ShacklePivot = ShacklePivot.AboveEye })
                )
                .Companions.Single(c => c.What.StartsWith(companion, StringComparison.Ordinal))
                .Placed;
        var stack = StacksTests.Part(1, lifts, 50);
        Assert.False(Placed(stack));
        Assert.True(Placed(stack, StacksTests.Part(2, cure)));
        Assert.False(Placed(stack, StacksTests.Part(2, PartKind.Shock)));
    }

    [Fact]
    public void A_sandwich_in_the_wrong_order_is_said_as_it_goes_together()
    {
        var rear = StacksTests.Of(SuspensionKind.CoilFourLink);
        var coil = StacksTests.Part(
            2,
            PartKind.Coil,
            null,
            (PartSizes.Rate, 40),
            (PartSizes.DesignLift, 40),
            (PartSizes.DesignLoad, 3000)
        ) with
        {
            Name = "new coil",
        };
        var stop = StacksTests.Part(1, PartKind.BumpStopExtension, 25) with { Name = "stop" };
        string[] Said(params PlacedPart[] parts) =>
            [
                .. StacksTests
                    .Predict(StacksTests.Both(Axle.Rear, parts), StacksTests.On(rear: rear))
                    .Corners.Single(c => c.Corner == Corner.LR)
                    .Cautions.Select(c => c.Says),
            ];
        Assert.Contains(
            Said(coil, stop),
            s => s.Contains("stop, new coil", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(
            Said(stop, coil),
            s => s.Contains("goes together as", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Taping_the_points_is_worth_what_it_takes_off_the_uncertainty()
    {
        var vehicle = StacksTests.On(StacksTests.Of(SuspensionKind.CoilOverArm));
        var plan = StacksTests.Both(Axle.Front, Top());
        var baseline = Sample.Stance(vehicle);
        var sharper = Sharper.Of(plan, new Situation(Sample.AsFound, vehicle, baseline));
        var points = sharper.Single(s => s.What == "All suspension points");
        var now = StacksTests.Predict(plan, vehicle).Rake.U!.Value;
        Assert.Equal(now, points.NowMm, 9);
        // Once they are taped, as promised (the ratio that they give apart).
        var then = StacksTests.Predict(plan, StacksTests.On(Taped())).Rake.U!.Value;
        Assert.Equal(then, points.ThenMm, 0.2);
        Assert.DoesNotContain(
            Sharper.Of(plan, new Situation(Sample.AsFound, StacksTests.On(Taped()), baseline)),
            s => s.Axle == Axle.Front
        );
    }
}
