using Nokko.Core.Finding;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Finding.CentredAxlesTests;
using static Nokko.Core.Tests.Geometry.Moved;

namespace Nokko.Core.Tests.Geometry;

/// <summary>What takes back what a tyre touches: spacers, steering stops, another tyre.</summary>
public class WheelsFurtherOutTests
{
    /// <summary>Radius and half width of 265/70R17, mm.</summary>
    private static readonly (double R, double W) On265 = ((431.8 + (2 * 0.7 * 265)) / 2, 132.5);

    /// <summary>The lock that was taken, rad.</summary>
    private const double Lock = 33 * Math.PI / 180;

    private static Vehicle With(params (string, double)[] gaps) =>
        On(
            SuspensionKind.CoilRadiusArm,
            SuspensionKind.CoilFourLink,
            [(SuspensionSizes.LockAngle, 33), .. gaps]
        ) with
        {
            TyreSize = "265/70R17",
        };

    private static Mechanism Front(
        Vehicle vehicle,
        (Corner, PlacedPart)[] parts,
        params Part[] shelf
    ) => One(Of(vehicle, parts, shelf), MechanismKind.Contacts, "front");

    private static double Gap(MechanismWay way, ContactWith with, bool turned) =>
        Assert
            .Single(
                way.Contacts,
                c => c.With == with && c.At == ContactAt.Ride && c.Turned == turned
            )
            .Gap.Value!.Value;

    private static PlacedPart Spacer(double mm) =>
        StacksTests.Part(60, PartKind.WheelSpacer, mm) with
        {
            Name = "Plover spacer",
        };

    private static PlacedPart Stops(double degrees) =>
        PlacedPart.EarlierStops(
            Sample.Id(66),
            new Quantity
            {
                Value = degrees,
                Unit = Unit.Degree,
                Known = Known.Computed,
            }
        );

    private static Part Tyre(int id, string name, double diameter, double width = 265) =>
        new()
        {
            Id = Sample.Id(id),
            Number = name,
            Name = name,
            Kind = PartKind.Tyre,
            Count = 4,
            Dimensions = new Dictionary<string, Quantity>
            {
                [PartSizes.Diameter] = Sample.Mm(diameter),
                [PartSizes.Width] = Sample.Mm(width),
            },
        };

    /// <summary>How far a corner of a turned rectangle lies inboard, or ahead, found by turning all four.</summary>
    private static double Farthest(double out_, double turn, double x, double y)
    {
        var most = double.NegativeInfinity;
        foreach (var fore in (double[])[-1, 1])
        {
            foreach (var side in (double[])[-1, 1])
            {
                // Forward, then outward.
                var (f, o) = (fore * On265.R, out_ + (side * On265.W));
                var (ahead, outward) = (
                    (f * Math.Cos(turn)) - (o * Math.Sin(turn)),
                    (f * Math.Sin(turn)) + (o * Math.Cos(turn))
                );
                most = Math.Max(most, (ahead * x) + (outward * y));
            }
        }
        return most;
    }

    [Fact]
    public void A_spacer_gives_inside_what_it_is_thick_and_takes_ahead_what_a_turned_corner_reaches_further()
    {
        var vehicle = With(
            (SuspensionSizes.TyreToFrame, 30),
            (SuspensionSizes.InsideAtLock, 20),
            (SuspensionSizes.AheadAtLock, 60)
        );
        var front = Front(vehicle, Pair(Axle.Front, 60, Spacer(30)));
        Assert.Equal("As planned: Plover spacer", front.Stands.Said);
        // The tyre that is on stays: only its place is another.
        Assert.Equal(30 + 30, Gap(front.Stands, ContactWith.Frame, false), 9);
        Assert.Equal(
            20 + Farthest(0, Lock, 0, -1) - Farthest(30, Lock, 0, -1),
            Gap(front.Stands, ContactWith.Frame, true),
            9
        );
        double Ahead(double spacer) =>
            Enumerable
                .Range(-3300, 6601)
                .Max(i => Farthest(spacer, i / 100.0 * Math.PI / 180, 1, 0));
        Assert.Equal(60 + Ahead(0) - Ahead(30), Gap(front.Stands, ContactWith.Ahead, true), 0.01);
        Assert.Contains("clears all that was taped", front.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_tyre_is_as_wide_as_the_rim_that_is_on_where_nobody_told_another()
    {
        var narrow = StacksTests.Part(
            61,
            PartKind.Tyre,
            null,
            [(PartSizes.Diameter, 2 * On265.R), (PartSizes.Width, 200)]
        );
        double Left(params (string, double)[] more) =>
            Gap(
                Front(
                    With([(SuspensionSizes.TyreToFrame, 30), .. more]),
                    Pair(Axle.Front, 80, narrow)
                ).Stands,
                ContactWith.Frame,
                false
            );
        Assert.Equal(30 + ((265 - 200) / 2.0), Left(), 9);
        // The rim stands out of the narrow tyre by ten on either side, and of the old one by nothing.
        Assert.Equal(30 + ((265 - 220) / 2.0), Left((SuspensionSizes.RimWidth, 220)), 9);
    }

    [Fact]
    public void A_spacer_stands_out_beside_what_the_rims_of_a_new_tyre_do()
    {
        var vehicle = With((SuspensionSizes.TyreToFrame, 30), (SuspensionSizes.RimOffset, 25));
        var tyre = StacksTests.Part(
            61,
            PartKind.Tyre,
            null,
            [(PartSizes.Diameter, 2 * On265.R), (PartSizes.Width, 265), (PartSizes.RimOffset, 15)]
        );
        var front = Front(
            vehicle,
            [.. Pair(Axle.Front, 80, tyre), .. Pair(Axle.Front, 60, Spacer(20))]
        );
        Assert.Equal(30 + 10 + 20, Gap(front.Stands, ContactWith.Frame, false), 9);
        var unknown = Front(
            vehicle,
            Pair(Axle.Front, 60, Spacer(20) with { Thickness = null, Name = "odd spacer" })
        );
        Assert.Contains("thickness of odd spacer", unknown.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void Stops_that_are_set_earlier_turn_the_tyre_the_less_toward_the_frame()
    {
        var vehicle = With((SuspensionSizes.InsideAtLock, 20));
        var front = Front(vehicle, [(Corner.LF, Stops(5))]);
        Assert.Equal("As planned: steering stops, 5° earlier", front.Stands.Said);
        Assert.Equal(
            20 + Farthest(0, Lock, 0, -1) - Farthest(0, 28 * Math.PI / 180, 0, -1),
            Gap(front.Stands, ContactWith.Frame, true),
            9
        );
    }

    [Fact]
    public void Stops_that_leave_nothing_of_a_lock_leave_it_straight()
    {
        var vehicle = On(
            SuspensionKind.CoilRadiusArm,
            SuspensionKind.CoilFourLink,
            (SuspensionSizes.LockAngle, 10),
            (SuspensionSizes.InsideAtLock, 20)
        ) with
        {
            TyreSize = "265/70R17",
        };
        var front = One(
            Of(vehicle, [(Corner.LF, Stops(20))], travel: true),
            MechanismKind.Contacts,
            "front"
        );
        Assert.Equal(
            20 + Farthest(0, 10 * Math.PI / 180, 0, -1) - Farthest(0, 0, 0, -1),
            Gap(front.Stands, ContactWith.Frame, true),
            9
        );
        Assert.Equal([0], front.Stands.Lock!.Degrees);
    }

    [Fact]
    public void A_cure_names_the_thinnest_spacer_that_is_enough_the_setting_and_the_largest_tyre_that_clears()
    {
        var vehicle = With(
            (SuspensionSizes.InsideAtLock, 20),
            (SuspensionSizes.TyreToFrame, 40),
            (SuspensionSizes.AheadAtLock, 90),
            (SuspensionSizes.TyreGap, 120)
        );
        var large = StacksTests.Part(
            61,
            PartKind.Tyre,
            null,
            [(PartSizes.Diameter, 880), (PartSizes.Width, 265)]
        );
        Part[] shelf =
        [
            AtHand(1, PartKind.WheelSpacer, 10, 2),
            AtHand(2, PartKind.WheelSpacer, 25, 2),
            AtHand(3, PartKind.WheelSpacer, 60, 2),
            Tyre(4, "Small", 815),
            Tyre(5, "Smaller than now", 700),
            Tyre(6, "Wide", 840, 330),
            Tyre(7, "Large", 880),
        ];
        var front = Front(vehicle, Pair(Axle.Front, 80, large), shelf);
        Assert.True(front.Beyond);
        var spacer = Assert.Single(front.Ways, w => w.Part == PartKind.WheelSpacer);
        Assert.StartsWith(shelf[1].Name, spacer.Said, StringComparison.Ordinal);
        Assert.True(Gap(spacer, ContactWith.Frame, true) >= 12);
        var stops = Assert.Single(front.Ways, w => w.Part == PartKind.SteeringStops);
        Assert.Equal(
            stops.Said,
            FormattableString.Invariant($"Steering stops {stops.SetAt!.Value:0}° earlier")
        );
        Assert.True(Gap(stops, ContactWith.Frame, true) >= 12);
        var tyre = Assert.Single(front.Ways, w => w.Part == PartKind.Tyre);
        Assert.Equal(("Small", (Guid?)Sample.Id(4)), (tyre.Said, tyre.PartId));
        // Half of what it is smaller is more room above it.
        double Above(MechanismWay way) =>
            way
                .Contacts.Single(c => c.With == ContactWith.Above && c.At == ContactAt.Ride)
                .Gap.Value!.Value;
        Assert.Equal(Above(front.Stands) + ((880 - 815) / 2.0), Above(tyre), 9);
        // Put in, each of them leaves nothing that is short.
        Assert.False(
            Front(
                vehicle,
                [.. Pair(Axle.Front, 80, large), .. Pair(Axle.Front, 60, Spacer(25))]
            ).Beyond
        );
        Assert.False(
            Front(
                vehicle,
                [.. Pair(Axle.Front, 80, large), (Corner.LF, Stops(stops.SetAt.Value!.Value))]
            ).Beyond
        );
        // One degree less is not enough.
        Assert.True(
            Front(
                vehicle,
                [.. Pair(Axle.Front, 80, large), (Corner.LF, Stops(stops.SetAt.Value!.Value - 1))]
            ).Beyond
        );
        // Nobody sets the stops of a strut's rack: it is said, and no part does it.
        var strut = Front(
            StacksTests.On(
                StacksTests.Of(
                    SuspensionKind.Strut,
                    (SuspensionSizes.InsideAtLock, 20),
                    (SuspensionSizes.LockAngle, 33)
                )
            ) with
            {
                TyreSize = "265/70R17",
            },
            Pair(Axle.Front, 80, large)
        );
        Assert.Null(Assert.Single(strut.Ways, w => w.SetAt is not null).Part);
    }

    [Fact]
    public void What_holds_the_geometry_sets_the_stops_by_as_little_as_does_it()
    {
        // A ring of 20 and a tyre that stands on its axle already: it touches the frame at lock.
        var vehicle = With((SuspensionSizes.InsideAtLock, 20));
        var tyre = StacksTests.Part(
            61,
            PartKind.Tyre,
            null,
            [(PartSizes.Diameter, 840), (PartSizes.Width, 265)]
        );
        var stage = Sample.AsFound with
        {
            Front = vehicle.Front,
            Rear = vehicle.Rear,
            Stacks =
            [
                .. Pair(Axle.Front, 80, tyre)
                    .Select(t => new CornerStack { Corner = t.Item1, Parts = [t.Item2] }),
            ],
        };
        var found = All(
            Here(vehicle) with
            {
                From = stage,
            },
            [AtHand(1, PartKind.CoilSpacer, 20)],
            new SearchRules { HoldGeometry = true }
        )[0];
        var piece = Assert.Single(
            found.Plan.Stacks.SelectMany(c => c.Parts),
            p => p.Kind == PartKind.SteeringStops
        );
        var needed = Enumerable
            .Range(1, 10)
            .First(d =>
                20
                    + Farthest(0, Lock, 0, -1)
                    - (
                        (420 * Math.Sin(Lock - (d * Math.PI / 180)))
                        + (132.5 * Math.Cos(Lock - (d * Math.PI / 180)))
                    )
                >= 12
            );
        Assert.Equal((double)needed, piece.Get(PartSizes.StopsEarlier));
    }

    [Theory]
    [InlineData(PartKind.SteeringStops)]
    [InlineData(PartKind.DragLink)]
    [InlineData(PartKind.PitmanArm)]
    [InlineData(PartKind.SteeringDamper)]
    public void What_steers_has_no_place_behind(PartKind kind)
    {
        var part = StacksTests.Part(60, kind, null) with { Name = "it" };
        string[] Refused(Corner corner) =>
            [.. LiftLaw.Refusals(corner, [part], AxleState.Of(With(), Corners.AxleOf(corner)))];
        Assert.Empty(Refused(Corner.LF));
        Assert.Equal(["it has a place at the steered axle alone (left rear)."], Refused(Corner.LR));
    }

    [Fact]
    public void Stops_that_a_search_sets_come_instead_of_those_that_are_set()
    {
        // Stops are a degree earlier already, and that is not enough.
        var vehicle = With((SuspensionSizes.InsideAtLock, 2), (SuspensionSizes.TyreToFrame, 4));
        var tyre = StacksTests.Part(
            61,
            PartKind.Tyre,
            null,
            [(PartSizes.Diameter, 860), (PartSizes.Width, 285)]
        );
        var stage = Sample.AsFound with
        {
            Front = vehicle.Front,
            Rear = vehicle.Rear,
            Stacks =
            [
                .. Corners
                    .Of(Axle.Front)
                    .Select(
                        (c, i) =>
                            new CornerStack
                            {
                                Corner = c,
                                Parts =
                                [
                                    tyre with
                                    {
                                        Id = Sample.Id(80 + i),
                                    },
                                    Spacer(10) with
                                    {
                                        Id = Sample.Id(90 + i),
                                    },
                                    .. i == 0 ? (PlacedPart[])[Stops(1)] : [],
                                ],
                            }
                    ),
            ],
        };
        var found = All(
            Here(vehicle) with
            {
                From = stage,
            },
            [AtHand(1, PartKind.CoilSpacer, 20), AtHand(2, PartKind.WheelSpacer, 50)],
            new SearchRules { HoldGeometry = true }
        )[0];
        var stops = Assert.Single(
            found.Plan.Stacks.SelectMany(c => c.Parts),
            p => p.Kind == PartKind.SteeringStops
        );
        Assert.True(stops.Get(PartSizes.StopsEarlier) > 1);
        // Nothing in it is refused: of neither kind stand two.
        foreach (var stack in found.Plan.Stacks)
        {
            Assert.Empty(
                LiftLaw.Refusals(
                    stack.Corner,
                    stack.Parts,
                    AxleState.Of(vehicle, Corners.AxleOf(stack.Corner))
                )
            );
        }
    }

    [Theory]
    [InlineData(PartKind.WheelSpacer, "Wheel spacers are never stacked (left front)")]
    [InlineData(PartKind.Tyre, "One wheel has one tyre (left front)")]
    public void Two_of_what_stands_alone_are_refused(PartKind kind, string says)
    {
        PlacedPart One(int id) => StacksTests.Part(id, kind, 20);
        string[] Refused(params PlacedPart[] parts) =>
            [.. LiftLaw.Refusals(Corner.LF, parts, AxleState.Of(With(), Axle.Front))];
        Assert.Empty(Refused(One(1)));
        Assert.StartsWith(says, Assert.Single(Refused(One(1), One(2))), StringComparison.Ordinal);
    }

    [Fact]
    public void Stops_have_one_setting()
    {
        Assert.Contains(
            LiftLaw.Refusals(Corner.LF, [Stops(2), Stops(3)], AxleState.Of(With(), Axle.Front)),
            r => r.StartsWith("Steering stops have one setting", StringComparison.Ordinal)
        );
    }
}
