using Nokko.Core.Fitting;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Fitting;

public class FittingRulesTests
{
    private static readonly Joint Rubber = Joint(JointKind.BondedRubber);

    private static Joint Joint(JointKind kind, JointSpec? spec = null) =>
        new()
        {
            Id = Sample.Id(60),
            Where = "LF",
            Place = "LF strut foot",
            Kind = kind,
            Fasteners = [],
            Spec = spec,
        };

    private static JointSpec Spec(double nm) =>
        new()
        {
            Torque = new()
            {
                Value = nm,
                Unit = Unit.NewtonMetre,
                Known = Known.Document,
            },
            Source = "sheet 7",
        };

    private static TorqueEntry Entry(Pass pass, double? nm = null, bool seen = false) =>
        new()
        {
            Id = Sample.Id(61),
            JointId = Sample.Id(60),
            PlanId = Sample.Id(20),
            Pass = pass,
            Value = nm is { } v
                ? new()
                {
                    Value = v,
                    Unit = Unit.NewtonMetre,
                    Known = Known.Measured,
                }
                : null,
            CriterionSeen = seen,
            Position = WheelPosition.OnWheels,
            PersonId = Sample.Id(5),
            At = Sample.At(1),
        };

    [Theory]
    [InlineData(JointKind.BondedRubber, WheelPosition.Hanging, false)]
    [InlineData(JointKind.BondedRubber, WheelPosition.OnWheels, true)]
    [InlineData(JointKind.Wheel, WheelPosition.Hanging, false)]
    [InlineData(JointKind.Ball, WheelPosition.Hanging, true)]
    [InlineData(JointKind.Clamped, WheelPosition.Hanging, true)]
    public void What_kind_of_joint_it_is_decides_the_gate(
        JointKind kind,
        WheelPosition position,
        bool allowed
    ) =>
        Assert.Equal(
            allowed,
            FittingRules.Refusal(
                Joint(kind),
                [Entry(Pass.Hand), Entry(Pass.Snug)],
                Pass.Final,
                position
            )
                is null
        );

    /// <summary>Written down by hand: where each kind may be final.</summary>
    [Theory]
    [InlineData(JointKind.SpringEye, false, true, true)]
    [InlineData(JointKind.SwayBarLink, false, true, true)]
    [InlineData(JointKind.BondedRubber, false, true, true)]
    [InlineData(JointKind.UBolt, false, true, false)]
    [InlineData(JointKind.Wheel, false, true, false)]
    [InlineData(JointKind.AxleNut, true, false, true)]
    [InlineData(JointKind.CentreNut, true, false, true)]
    [InlineData(JointKind.StudPlate, true, true, true)]
    [InlineData(JointKind.PinchBolt, true, true, true)]
    public void A_joint_is_final_where_its_kind_allows(
        JointKind kind,
        bool hanging,
        bool onWheels,
        bool raised
    )
    {
        bool May(WheelPosition position) =>
            FittingRules.Refusal(
                Joint(kind),
                [Entry(Pass.Hand), Entry(Pass.Snug)],
                Pass.Final,
                position
            )
                is null;
        Assert.Equal(
            (hanging, onWheels, raised),
            (
                May(WheelPosition.Hanging),
                May(WheelPosition.OnWheels),
                May(WheelPosition.RaisedToHeight)
            )
        );
    }

    [Fact]
    public void Every_kind_is_said_and_has_its_moment() =>
        Assert.All(
            Enum.GetValues<JointKind>(),
            k =>
            {
                Assert.NotEmpty(k.Said());
                Assert.True(Enum.IsDefined(k.Final()));
            }
        );

    [Fact]
    public void One_end_hangs_while_the_other_stands()
    {
        SupportEntry At(int minute, string where, WheelPosition position) =>
            new()
            {
                Id = Sample.Id(200 + minute),
                Where = where,
                Position = position,
                On = "stands",
                PersonId = Sample.Id(5),
                At = Sample.At(minute),
            };
        SupportEntry[] said =
        [
            At(1, "all", WheelPosition.OnWheels),
            At(2, "front", WheelPosition.Hanging),
        ];
        Assert.Equal(WheelPosition.Hanging, FittingRules.Position(said, "LF"));
        Assert.Equal(WheelPosition.Hanging, FittingRules.Position(said, "front"));
        Assert.Equal(WheelPosition.OnWheels, FittingRules.Position(said, "RR"));
        Assert.Equal(WheelPosition.OnWheels, FittingRules.Position(said, "rear"));
        Assert.Equal(WheelPosition.Hanging, FittingRules.Position(said, "vehicle"));
        Assert.Equal(WheelPosition.OnWheels, FittingRules.Position([], "LF"));
        Assert.Equal(
            WheelPosition.OnWheels,
            FittingRules.Position([.. said, At(3, "all", WheelPosition.OnWheels)], "LF")
        );
    }

    [Theory]
    [InlineData(100, 95, null)]
    [InlineData(100, 105, null)]
    [InlineData(100, 94.9, -0.051)]
    [InlineData(100, 105.1, 0.051)]
    public void Five_in_a_hundred_is_on_spec(double spec, double value, double? off)
    {
        static Quantity Nm(double nm) =>
            new()
            {
                Value = nm,
                Unit = Unit.NewtonMetre,
                Known = Known.Measured,
            };
        var got = FittingRules.OffSpec(Nm(spec), Nm(value));
        Assert.Equal(off is null, got is null);
        Assert.Equal(off ?? 0, got ?? 0, 9);
    }

    [Fact]
    public void Both_sides_of_a_joint_are_told_apart()
    {
        Assert.Equal("RF strut foot to lower arm", FittingRules.Twin("LF strut foot to lower arm"));
        Assert.Equal("LR lower shock mount", FittingRules.Twin("RR lower shock mount"));
        Assert.Null(FittingRules.Twin("rear track bar to axle"));
        var one = Joint(JointKind.Ball, Spec(100));
        Assert.Null(FittingRules.Differs(one, null));
        Assert.Null(FittingRules.Differs(one, one with { Spec = Spec(100.2) }));
        Assert.Null(FittingRules.Differs(one, one with { Spec = null }));
        Assert.Equal("spec", FittingRules.Differs(one, one with { Spec = Spec(110) }));
        Assert.Equal("kind", FittingRules.Differs(one, one with { Kind = JointKind.RodEnd }));
        Assert.Equal(
            "this vehicle has it on one side only",
            FittingRules.Differs(one, one with { None = true })
        );
        Assert.Equal(
            "fasteners",
            FittingRules.Differs(
                one,
                one with
                {
                    Fasteners = [new Fastener { Position = "nut", Count = 2 }],
                }
            )
        );
    }

    [Fact]
    public void Torque_then_angle_are_two_facts()
    {
        static Quantity Degrees(double value) =>
            new()
            {
                Value = value,
                Unit = Unit.Degree,
                Known = Known.Measured,
            };
        var joint = Joint(JointKind.Clamped, Spec(100) with { Angle = Degrees(90) });
        Assert.Equal("no angle noted", FittingRules.Open(joint, [Entry(Pass.Final, 100)]));
        Assert.Equal(
            "turned short of the angle",
            FittingRules.Open(joint, [Entry(Pass.Final, 100) with { Angle = Degrees(80) }])
        );
        Assert.Equal(
            "turned past the angle",
            FittingRules.Open(joint, [Entry(Pass.Final, 100) with { Angle = Degrees(100) }])
        );
        Assert.Null(
            FittingRules.Open(joint, [Entry(Pass.Final, 100) with { Angle = Degrees(90) }])
        );
        // A short one that somebody answered for is closed.
        Assert.Equal(
            "over the spec",
            FittingRules.Open(Joint(JointKind.Ball, Spec(100)), [Entry(Pass.Final, 120)])
        );
        Assert.Null(
            FittingRules.Open(
                Joint(JointKind.Ball, Spec(100)),
                [Entry(Pass.Final, 80) with { Why = "no room" }]
            )
        );
    }

    [Fact]
    public void Passes_come_in_order()
    {
        Assert.NotNull(FittingRules.Refusal(Rubber, [], Pass.Snug, WheelPosition.Hanging));
        Assert.NotNull(
            FittingRules.Refusal(Rubber, [Entry(Pass.Hand)], Pass.Final, WheelPosition.OnWheels)
        );
        Assert.Null(
            FittingRules.Refusal(Rubber, [Entry(Pass.Hand)], Pass.Snug, WheelPosition.Hanging)
        );
    }

    [Fact]
    public void A_line_stays_open_until_final_spec_and_value_agree()
    {
        Assert.Equal("not touched yet; final at ride height", FittingRules.Open(Rubber, []));
        Assert.Equal(
            "snug only; final at ride height",
            FittingRules.Open(Rubber, [Entry(Pass.Snug)])
        );
        Assert.Equal(
            "no spec with its source",
            FittingRules.Open(Rubber, [Entry(Pass.Final, 100)])
        );
        var ball = Joint(JointKind.Ball, Spec(100));
        Assert.Equal("no value noted", FittingRules.Open(ball, [Entry(Pass.Final)]));
        Assert.Equal("stopped short of the spec", FittingRules.Open(ball, [Entry(Pass.Final, 90)]));
        Assert.Null(FittingRules.Open(ball, [Entry(Pass.Final, 90), Entry(Pass.Final, 100)]));
        var seen = Joint(
            JointKind.Ball,
            new() { Criterion = "cotter hole in line", Source = "sheet 7" }
        );
        Assert.Equal("criterion not seen", FittingRules.Open(seen, [Entry(Pass.Final)]));
        Assert.Null(FittingRules.Open(seen, [Entry(Pass.Final, seen: true)]));
    }

    [Fact]
    public void A_value_in_pounds_meets_a_spec_in_newtons()
    {
        var entry = Entry(Pass.Final) with
        {
            Value = new()
            {
                Value = 73.8,
                Unit = Unit.PoundFoot,
                Known = Known.Measured,
            },
        };
        Assert.Null(FittingRules.Open(Joint(JointKind.Ball, Spec(100)), [entry]));
    }
}
