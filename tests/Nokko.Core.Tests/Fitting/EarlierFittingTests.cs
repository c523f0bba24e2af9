using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Fitting;

/// <summary>What earlier vehicles of a platform offer to the next one.</summary>
public class EarlierFittingTests
{
    private const string Ball = "LF upper ball joint to upright";
    private const string OtherBall = "RF upper ball joint to upright";

    /// <summary>A plate on each front corner: strut work on both sides.</summary>
    private static readonly JobCard Card = JobCard.Derive(
        Sample.AsFound,
        Sample.Plan((Corner.LF, Sample.Plate(30, 25.4)), (Corner.RF, Sample.Plate(31, 25.4))),
        Sample.Pickup,
        Equipment.TwoPostLift
    );

    private static Joint Joint(
        string place,
        JointSpec? spec = null,
        int count = 1,
        JointKind kind = JointKind.Ball,
        bool none = false
    ) =>
        new()
        {
            Id = Sample.Id(place.Length),
            Where = place[..2],
            Place = place,
            Kind = kind,
            Fasteners =
            [
                new Fastener
                {
                    Position = "castle nut",
                    Count = count,
                    NewPartOnly = true,
                },
            ],
            Spec = spec,
            None = none,
        };

    private static JointSpec Spec(
        double value,
        Unit unit,
        string source = "sheet",
        double? angle = null
    ) =>
        new()
        {
            Torque = new()
            {
                Value = value,
                Unit = unit,
                Known = Known.Document,
            },
            Angle = angle is { } a
                ? new()
                {
                    Value = a,
                    Unit = Unit.Degree,
                    Known = Known.Document,
                }
                : null,
            Source = source,
        };

    private static EarlierFitting Vehicle(string said, params Joint[] joints) =>
        new(said, joints, []);

    private static OfferedJoint? Offer(Joint mine, params EarlierFitting[] earlier) =>
        EarlierFittings.Joints(Card, [mine], earlier).SingleOrDefault();

    [Fact]
    public void One_value_in_two_units_is_one_offer_and_two_values_are_a_disagreement()
    {
        // 100 lb·ft are 135.58 N·m.
        var offer = Offer(
            Joint(Ball),
            Vehicle("the last", Joint(Ball, Spec(90, Unit.PoundFoot))),
            Vehicle("SV 2", Joint(Ball, Spec(100, Unit.PoundFoot, "page 4"))),
            Vehicle("SV 3", Joint(Ball, Spec(135.6, Unit.NewtonMetre)))
        )!;
        Assert.Equal([2, 1], offer.Specs.Select(s => s.Vehicles));
        Assert.Equal(("page 4", "SV 2"), (offer.Specs[0].Spec.Source, offer.Specs[0].Said));
        Assert.Equal("the last", offer.Specs[1].Said);
    }

    [Theory]
    [InlineData(100.4, 1)]
    [InlineData(100.6, 2)]
    public void Half_a_newton_metre_tells_two_values_apart(double other, int specs) =>
        Assert.Equal(
            specs,
            Offer(
                Joint(Ball),
                Vehicle("a", Joint(Ball, Spec(100, Unit.NewtonMetre))),
                Vehicle("b", Joint(Ball, Spec(other, Unit.NewtonMetre)))
            )!.Specs.Count
        );

    [Fact]
    public void An_angle_after_the_torque_is_another_spec()
    {
        var offer = Offer(
            Joint(Ball),
            Vehicle("a", Joint(Ball, Spec(100, Unit.NewtonMetre))),
            Vehicle("b", Joint(Ball, Spec(100, Unit.NewtonMetre, angle: 90))),
            Vehicle("c", Joint(Ball, Spec(100, Unit.NewtonMetre, angle: 120)))
        )!;
        Assert.Equal(3, offer.Specs.Count);
    }

    [Fact]
    public void The_other_side_of_an_earlier_vehicle_counts_where_this_side_says_nothing()
    {
        var there = Vehicle("a", Joint(Ball), Joint(OtherBall, Spec(100, Unit.NewtonMetre)));
        Assert.Equal(100, Offer(Joint(Ball), there)!.Specs.Single().Spec.Torque!.Value);
        var both = Vehicle(
            "a",
            Joint(Ball, Spec(80, Unit.NewtonMetre)),
            Joint(OtherBall, Spec(100, Unit.NewtonMetre))
        );
        Assert.Equal(80, Offer(Joint(Ball), both)!.Specs.Single().Spec.Torque!.Value);
    }

    [Fact]
    public void What_this_vehicle_has_already_is_no_offer_and_what_speaks_against_it_is()
    {
        var mine = Joint(Ball, Spec(100, Unit.NewtonMetre));
        Assert.Null(Offer(mine, Vehicle("a", Joint(Ball, Spec(100.2, Unit.NewtonMetre)))));
        Assert.Equal(
            "a",
            Offer(mine, Vehicle("a", Joint(Ball, Spec(120, Unit.NewtonMetre))))!.Specs.Single().Said
        );
    }

    [Fact]
    public void A_joint_that_was_kept_otherwise_is_shown_with_its_vehicle()
    {
        Assert.Null(Offer(Joint(Ball), Vehicle("a", Joint(Ball))));
        var counted = Offer(
            Joint(Ball),
            Vehicle("a", Joint(Ball)),
            Vehicle("b", Joint(Ball, count: 2))
        )!;
        Assert.Equal(
            (null, 2, "b"),
            (counted.Kind, counted.Fasteners!.Single().Count, counted.Said)
        );
        var kind = Offer(Joint(Ball), Vehicle("c", Joint(Ball, kind: JointKind.RodEnd)))!;
        Assert.Equal((JointKind.RodEnd, null, "c"), (kind.Kind, kind.Fasteners, kind.Said));
        var none = Offer(Joint(Ball), Vehicle("d", Joint(Ball, none: true, count: 3)))!;
        Assert.Equal((1, null, null), (none.None, none.Kind, none.Said));
        // A joint that is not there has no spec to offer either.
        Assert.Empty(
            Offer(
                Joint(Ball),
                Vehicle("e", Joint(Ball, Spec(90, Unit.NewtonMetre), none: true))
            )!.Specs
        );
    }

    [Fact]
    public void Only_joints_of_the_card_are_asked_about() =>
        Assert.Empty(
            EarlierFittings.Joints(
                Card,
                [Joint("LR u-bolts")],
                [Vehicle("a", Joint("LR u-bolts", Spec(90, Unit.NewtonMetre)))]
            )
        );

    // --- times --------------------------------------------------------------------------------------

    private static StepEntry Done(string step, int at, double? minutes)
    {
        var work = Card.Steps.Single(s => s.Key == step).Work;
        return new()
        {
            Id = Sample.Id(at),
            PlanId = Sample.Id(20),
            Step = step,
            Minutes = minutes,
            Work = work,
            PersonId = Sample.Id(5),
            At = Sample.At(at),
        };
    }

    [Fact]
    public void The_same_work_has_the_same_name_on_both_sides_and_another_work_another()
    {
        string Work(string key) => Card.Steps.Single(s => s.Key == key).Work;
        Assert.Equal(Work("LF/strut"), Work("RF/strut"));
        Assert.NotEqual(Work("LF/strut"), Work("LF/links"));
        Assert.Equal("links: sway-bar link to arm", Work("LF/links"));
        Assert.Equal("wheels-off: 2 × wheel to hub", Work("vehicle/wheels-off"));
        Assert.Equal("change-stack: StrutTopSpacer", Work("LF/change-stack"));
    }

    [Fact]
    public void The_second_side_of_an_axle_learns_from_second_sides()
    {
        IReadOnlyList<StepEntry>[] fittings =
        [
            // Left first: 30, then 20. Right first: 40, then 24.
            [Done("LF/strut", 1, 30), Done("RF/strut", 2, 20)],
            [Done("LF/strut", 4, 24), Done("RF/strut", 3, 40)],
            // Only one side was timed; the other was done before it.
            [Done("LF/strut", 5, null), Done("RF/strut", 6, 22)],
        ];
        var times = EarlierFittings.Times(Card, fittings);
        Assert.Equal(
            new StepTime("LF/strut", 2, 35, 30, 40),
            times.Single(t => t.Step == "LF/strut")
        );
        Assert.Equal(
            new StepTime("RF/strut", 3, 22, 20, 24),
            times.Single(t => t.Step == "RF/strut")
        );
        Assert.Equal(2, times.Count);
    }

    [Fact]
    public void A_step_from_a_file_whose_key_names_no_place_harms_no_other_job()
    {
        var odd = Done("vehicle/raise", 1, 12) with { Step = "nonsense" };
        Assert.Equal(
            new StepTime("vehicle/raise", 1, 12, 12, 12),
            EarlierFittings
                .Times(
                    Card,
                    [
                        [odd],
                    ]
                )
                .Single()
        );
    }

    [Fact]
    public void A_median_of_four_lies_between_the_middle_two()
    {
        IReadOnlyList<StepEntry>[] fittings =
        [
            .. new double[] { 10, 90, 20, 30 }.Select(m =>
                (IReadOnlyList<StepEntry>)[Done("vehicle/raise", 1, m)]
            ),
        ];
        Assert.Equal(
            new StepTime("vehicle/raise", 4, 25, 10, 90),
            EarlierFittings.Times(Card, fittings).Single()
        );
    }
}
