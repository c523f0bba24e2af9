using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Nokko.Core.Tests.Geometry;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>How much of what a lift moves is left alone: rules of thumb, and own limits instead of them.</summary>
public class LimitCommandsTests
{
    private static QuantityInput Typed(string text, Unit unit) => new(text, unit, Known.Told);

    private static JobDocument Job => Sample.Job([520, 1040, 580, 580, 1040, 520]);

    private static Decision Decide(JobDocument job, MechanismKind of, QuantityInput? most) =>
        Decision.Of(job, new SetLimit(Sample.Id(200), 0, of, most), Context);

    private static DecisionContext Context { get; } =
        new()
        {
            PersonId = Sample.Id(5),
            PersonName = "Brenna",
            Style = LengthStyle.Inches,
            Now = Sample.At(5),
        };

    private static IReadOnlyList<GeometryLimit>? Set(
        JobDocument job,
        MechanismKind of,
        QuantityInput? most
    ) =>
        Assert
            .IsType<Decision.Made>(Decide(job, of, most))
            .Changes.Select(c => c.Row)
            .OfType<Job>()
            .Single()
            .Limits;

    [Fact]
    public void An_own_limit_is_set_changed_and_given_back_and_the_others_stay()
    {
        var one = Set(Job, MechanismKind.TrackBar, Typed("1/8", Unit.Inch));
        var with = Job with { Job = Job.Job with { Limits = one } };
        var two = Set(with, MechanismKind.Caster, Typed("2", Unit.Degree));
        Assert.Equal([MechanismKind.TrackBar, MechanismKind.Caster], two!.Select(l => l.Kind));
        with = with with { Job = with.Job with { Limits = two } };
        var changed = Set(with, MechanismKind.TrackBar, Typed("3", Unit.Mm));
        Assert.Equal(
            [(MechanismKind.Caster, 2.0), (MechanismKind.TrackBar, 3)],
            changed!.Select(l => (l.Kind, l.Most.Value))
        );
        with = with with { Job = with.Job with { Limits = one } };
        Assert.Null(Set(with, MechanismKind.TrackBar, null));
    }

    [Theory]
    [InlineData(MechanismKind.TrackBar, "0.5", "mm", "most", "That lies between")]
    [InlineData(MechanismKind.TrackBar, "900", "mm", "most", "That lies between")]
    [InlineData(MechanismKind.TrackBar, "2", "°", "most", "is no unit for this")]
    [InlineData(MechanismKind.Caster, "20", "°", "most", "between 0.2° and 6°")]
    [InlineData(MechanismKind.Caster, "lots", "°", "most", "is no number")]
    [InlineData(MechanismKind.SideSlope, "20", "°", "of", "nothing is limited")]
    public void What_can_be_no_limit_is_refused_where_it_was_typed(
        MechanismKind of,
        string text,
        string unit,
        string field,
        string why
    )
    {
        var refused = Assert.IsType<Decision.Refused>(Decide(Job, of, Typed(text, Unit.Of(unit)!)));
        Assert.Equal(field, refused.Why.Field);
        Assert.Contains(why, refused.Why.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void The_shop_s_limits_go_with_a_job_that_is_taken_in_and_not_with_one_that_was()
    {
        IReadOnlyList<RowChange> Keep(ShopWays? ways, MechanismKind of, QuantityInput? most) =>
            Assert
                .IsType<Decision.Made>(
                    new KeepLimit(Sample.Id(200), Sample.Id(201), of, most).On(
                        new ShopState { Ways = ways },
                        Context
                    )
                )
                .Changes;
        ShopWays Row(IReadOnlyList<RowChange> changes) =>
            Assert.IsType<ShopWays>(Assert.Single(changes).Row);
        var first = Row(Keep(null, MechanismKind.TrackBar, Typed("3", Unit.Mm)));
        Assert.Equal(Sample.Id(201), first.Id);
        var both = Row(
            Keep(first with { TorqueBand = 0.08 }, MechanismKind.Headlights, Typed("1", Unit.Inch))
        );
        Assert.Equal(2, both.Limits.Count);
        // What the shop has else stays, and keeping its ways leaves its limits.
        Assert.Equal(0.08, both.TorqueBand);
        var ways = Assert
            .IsType<Decision.Made>(
                new SetShopWays(Sample.Id(202), Sample.Id(203), null, [], 5).On(
                    new ShopState { Ways = both },
                    Context
                )
            )
            .Changes;
        Assert.Equal(both.Limits, Row(ways).Limits);
        Assert.Empty(Row(Keep(first, MechanismKind.TrackBar, null)).Limits);
    }

    [Fact]
    public void Every_rule_is_what_its_mechanism_stands_by_until_an_own_limit_does()
    {
        var lifted = Moved.Rings(14, 14);
        PlanGeometry Of(GeometryLimits limits) =>
            PlanGeometry.Of(
                Sample.Plan(lifted),
                new Situation(Sample.AsFound, Moved.FourLinks, null) { Limits = limits }
            );
        var usual = Of(GeometryLimits.Usual).Mechanisms;
        Assert.All(
            usual.Where(m => m.Rule is not null),
            m => Assert.Equal((m.Rule!.Most, true), (m.Limit, m.LimitIsRule))
        );
        var bar = usual.First(m => m.Kind == MechanismKind.TrackBar);
        Assert.False(bar.Beyond);
        Assert.Contains(
            "within 1/4 in (6 mm), a rule of thumb",
            bar.Says,
            StringComparison.Ordinal
        );
        var rules = GeometryLimits.Rules;
        Assert.Equal(rules.Count, rules.DistinctBy(r => r.Kind).Count());
        Assert.All(rules, r => Assert.True(r.Low < r.Most && r.Most < r.High));
        // A stricter shop: each mechanism by its own, and said so.
        var strict = new GeometryLimits([
            .. rules.Select(r => new GeometryLimit(r.Kind, Sample.Of(r.Low, r.Unit))),
        ]);
        var own = Of(strict).Mechanisms;
        Assert.All(
            own.Where(m => m.Rule is not null),
            m => Assert.Equal((m.Rule!.Low, false), (m.Limit!.Value, m.LimitIsRule))
        );
        var stricter = own.First(m => m.Kind == MechanismKind.TrackBar);
        Assert.DoesNotContain("rule of thumb", stricter.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void In_a_file_limits_travel_and_nonsense_is_refused_with_its_place()
    {
        JobDocument With(params GeometryLimit[] limits) =>
            Job with
            {
                Job = Job.Job with { Limits = limits },
            };
        var good = JobJson.Canonical(With(new GeometryLimit(MechanismKind.TrackBar, Sample.Mm(4))));
        Assert.Equal(good, JobJson.Canonical(JobFileReader.Read(good).Document!));
        foreach (
            var (limits, path) in new[]
            {
                (
                    new[] { new GeometryLimit(MechanismKind.TrackBar, Sample.Mm(4000)) },
                    "$.job.limits[0].most"
                ),
                ([new GeometryLimit(MechanismKind.Caster, Sample.Mm(4))], "$.job.limits[0].most"),
                (
                    [new GeometryLimit(MechanismKind.SideSlope, Sample.Of(4, Unit.Degree))],
                    "$.job.limits[0].most"
                ),
                (
                    [
                        new GeometryLimit(MechanismKind.TrackBar, Sample.Mm(4)),
                        new GeometryLimit(MechanismKind.TrackBar, Sample.Mm(5)),
                    ],
                    "$.job.limits"
                ),
            }
        )
        {
            Assert.Equal(path, JobFileReader.Read(JobJson.Canonical(With(limits))).Error!.Path);
        }
    }

    [Fact]
    public void A_job_s_own_limit_decides_what_its_geometry_is_held_against()
    {
        var job = Job with
        {
            Job = Job.Job with
            {
                Limits = [new GeometryLimit(MechanismKind.Headlights, Sample.Mm(150))],
            },
        };
        Mechanism Lamps(JobDocument d) =>
            JobGeometry
                .Of(d, d.Plans[0], Nokko.Core.Evidence.PlatformEvidence.None)
                .Mechanisms.Single(m => m.Kind == MechanismKind.Headlights);
        Assert.True(Lamps(Job).Beyond);
        Assert.False(Lamps(job).Beyond);
        Assert.Contains("our own limit", Lamps(job).Says, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("null")]
    [InlineData("[null]")]
    [InlineData("[{}]")]
    [InlineData("\"x\"")]
    [InlineData("""[{"kind":"trackBar","most":null}]""")]
    [InlineData("""[{"kind":null,"most":{"value":4,"unit":"mm","known":"told"}}]""")]
    [InlineData("""[{"kind":"wings","most":{"value":4,"unit":"mm","known":"told"}}]""")]
    [InlineData("""[{"kind":"trackBar","most":{"value":1e300,"unit":"mm","known":"told"}}]""")]
    [InlineData("""[{"kind":"trackBar","most":{"value":4,"unit":"ells","known":"told"}}]""")]
    public void Whatever_stands_for_limits_is_read_or_refused_and_never_thrown_over(string limits)
    {
        var node = System.Text.Json.Nodes.JsonNode.Parse(JobJson.Canonical(Job))!;
        node["job"]!["limits"] = System.Text.Json.Nodes.JsonNode.Parse(limits);
        var read = JobFileReader.Read(node.ToJsonString());
        Assert.Equal(limits == "null", read.Document is not null);
        Assert.Equal(limits == "null", read.Error is null);
    }

    [Fact]
    public void A_limit_may_be_the_least_and_the_most_that_it_can_be()
    {
        foreach (var rule in GeometryLimits.Rules)
        {
            string? WhyNot(double most) =>
                GeometryLimits.WhyNot(new(rule.Kind, Sample.Of(most, rule.Unit)));
            Assert.Null(WhyNot(rule.Low));
            Assert.Null(WhyNot(rule.High));
            Assert.NotNull(WhyNot(rule.Low * 0.999));
            Assert.NotNull(WhyNot(rule.High * 1.001));
        }
    }
}
