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
