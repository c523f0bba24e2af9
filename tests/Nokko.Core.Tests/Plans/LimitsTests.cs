using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>How much of each limit a stack uses, which of them nothing may pass, and what does not fit at all.</summary>
public class LimitsTests
{
    private static PlacedPart Preload(double mm = 15) =>
        StacksTests.Part(2, PartKind.PreloadSpacer, mm);

    [Theory]
    [InlineData(null)]
    [InlineData(25.0)]
    public void What_is_used_most_comes_first_and_only_what_a_maker_gave_is_hard(double? cvLimit)
    {
        var corner = TravelTests.Left(
            TravelTests.Taped([
                (SuspensionSizes.HoseSlack, 60),
                (SuspensionSizes.CvDrop, 60),
                (SuspensionSizes.CvRun, 420),
                (SuspensionSizes.BallJointLimit, 40),
                .. cvLimit is { } limit
                    ? [(SuspensionSizes.CvDroopLimit, limit)]
                    : Array.Empty<(string, double)>(),
            ]),
            TravelTests.Top()
        );
        Assert.Equal(
            corner.Uses.Select(u => u.Share).OrderDescending(),
            corner.Uses.Select(u => u.Share)
        );
        Assert.Equal(
            [
                ("CV joint at full droop", cvLimit is not null),
                ("CV joint at ride height", false),
                ("ball joint at full droop", true),
                ("brake hose", false),
                ("bump", false),
                ("droop", false),
            ],
            corner.Uses.Select(u => (u.What, u.Hard)).OrderBy(u => u.What, StringComparer.Ordinal)
        );
    }

    [Fact]
    public void Droop_goes_lower_only_under_a_plate_outside_a_strut_that_ends_it()
    {
        bool Lower(Nokko.Core.Vehicles.Suspension front, params PlacedPart[] parts) =>
            TravelTests
                .Left(front, parts)
                .Cautions.Any(c => c.Says.Contains("hang lower", StringComparison.Ordinal));
        Assert.True(Lower(TravelTests.Taped(), TravelTests.Top()));
        Assert.True(Lower(TravelTests.Taped(), TravelTests.Top(), Preload()));
        Assert.False(Lower(TravelTests.Taped(), Preload()));
        // A strap that is tight before the strut is long.
        Assert.False(Lower(TravelTests.Taped((SuspensionSizes.StrapSlack, 30)), TravelTests.Top()));
    }

    [Fact]
    public void Under_a_plate_the_coil_binds_as_much_lower_as_the_strut_collapses()
    {
        const double ride = 527.376;
        double End(string what, params PlacedPart[] parts)
        {
            var corner = TravelTests.Left(
                TravelTests.Taped((SuspensionSizes.CoilBind, ride - 74.9)),
                parts
            );
            return corner.Marks.Single(m => m.What == what).AtMm - corner.Rise.Value!.Value;
        }
        double Lower(string what) => End(what) - End(what, TravelTests.Top());
        // The strut's two ends lie a tenth of a millimetre apart: the plate moves them alike.
        Assert.Equal(Lower("strut collapsed"), Lower("coil binds"), 0.1);
        Assert.InRange(Lower("coil binds"), 30, 60);
    }

    [Theory]
    [InlineData(true, true)]
    [InlineData(false, false)]
    public void A_longer_shackle_is_solved_with_a_taped_leaf_and_else_halved(
        bool taped,
        bool solved
    )
    {
        var rear = StacksTests.Of(
            SuspensionKind.LeafOverslung,
            taped
                ?
                [
                    (SuspensionSizes.LeafChord, 1300),
                    (SuspensionSizes.LeafArch, 100),
                    (SuspensionSizes.ShackleLength, 100),
                    (SuspensionSizes.ShackleAngle, 20),
                ]
                : []
        );
        var basis = StacksTests
            .Predict(
                StacksTests.Both(Axle.Rear, StacksTests.Part(1, PartKind.Shackle, 40)),
                StacksTests.On(rear: rear)
            )
            .Basis;
        Assert.Equal(
            (solved, !solved),
            (
                basis.Any(b => b.StartsWith("The shackle was solved", StringComparison.Ordinal)),
                basis.Any(b => b.StartsWith("It does so by about half", StringComparison.Ordinal))
            )
        );
    }

    [Fact]
    public void To_tape_the_points_is_worth_something_where_a_spring_part_stands_on_an_arm()
    {
        bool Offered(params PlacedPart[] parts)
        {
            var vehicle = StacksTests.On(StacksTests.Of(SuspensionKind.CoilOverArm));
            return Sharper
                .Of(
                    StacksTests.Both(Axle.Front, parts),
                    new Situation(Sample.AsFound, vehicle, Sample.Stance(vehicle))
                )
                .Any(s => s.What == "All suspension points");
        }
        var puck = StacksTests.Part(3, PartKind.BodyPuck, 25.4);
        Assert.True(Offered(TravelTests.Top()));
        Assert.True(Offered(TravelTests.Top(), puck));
        Assert.False(Offered(puck));
    }

    [Fact]
    public void A_reason_for_fitting_it_anyway_is_that_of_the_same_part_and_the_same_misfit()
    {
        var vehicle = StacksTests.On(StacksTests.Of(SuspensionKind.CoilOverArm));
        var rear = new PartFit { AnyPlatform = true, Rules = [new FitRule.OnlyAt(Axle.Rear)] };
        PlacedPart[] parts =
        [
            TravelTests.Top() with
            {
                Name = "plate",
                Fit = new PartFit(),
            },
            TravelTests.Top() with
            {
                Name = "other plate",
                Fit = rear,
            },
        ];
        var plan = StacksTests.Both(Axle.Front, parts);
        IReadOnlyList<Misfit> Found(params FittedAnyway[] anyway) =>
            Misfit.Of(
                plan with
                {
                    Anyway = anyway,
                },
                new Situation(Sample.AsFound, vehicle, Sample.Stance(vehicle))
            );
        // What is known stands before what nobody knows; both sides of the axle are told once.
        var found = Found();
        Assert.Equal(
            [("other plate", true, true), ("plate", false, false)],
            found.Select(f => (f.Part, f.Known, f.Stops))
        );
        var says = found[0].Says;
        FittedAnyway Reason(string part, string why, string reason) =>
            new(part, why, reason, Sample.Id(5));
        Assert.Equal(
            ["turned upside down", null],
            Found(
                    Reason("plate", says, "not this part"),
                    Reason("other plate", "another misfit", "not this misfit"),
                    Reason("other plate", says, "turned upside down")
                )
                .Select(f => f.Reason)
        );
        Assert.True(Found(Reason("other plate", "another misfit", "no"))[0].Stops);
        // With no reason of its own it has none, and stops.
        Assert.Null(Found(Reason("plate", says, "no"))[0].Reason);
    }
}
