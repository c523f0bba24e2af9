using System.Text.Json.Nodes;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Server.Tests;

public class SuspensionsTests(Hosted server) : IClassFixture<Hosted>
{
    private static readonly (string Y, string Z)[] Worked =
    [
        ("230", "250"),
        ("620", "215"),
        ("330", "585"),
        ("600", "560"),
        ("455", "245"),
        ("405", "770"),
        ("690", "385"),
    ];

    private static object Body(JsonNode view, IEnumerable<(string Y, string Z)> points) =>
        new
        {
            commandId = Guid.CreateVersion7(),
            version = view["versions"]![
                view["document"]!["stages"]![0]!["id"]!.GetValue<string>()
            ]!.GetValue<uint>(),
            axle = "front",
            points = Archetype
                .Of(SuspensionKind.CoilOverArm)!
                .Points.Zip(
                    points,
                    (point, p) =>
                        new
                        {
                            name = point.Name,
                            across = Mm(p.Y),
                            up = Mm(p.Z),
                        }
                ),
        };

    private static JsonNode Front(JsonNode view) => view["axles"]![0]!;

    private static object Mm(string typed) =>
        new
        {
            typed,
            unit = "mm",
            known = "measured",
        };

    [Fact]
    public async Task Seven_taped_points_give_the_vehicle_its_own_lift_ratio()
    {
        var job = new TestJob(await server.SignIn());
        var view = await job.TakeIn();
        Assert.Equal("ruleOfThumb", Front(view)["grade"]!.GetValue<string>());
        var caller = await server.SignIn();
        view = await caller.Do(job.Path, "setPoints", Body(view, Worked));
        var taped = Front(view);
        Assert.Equal("taped", taped["grade"]!.GetValue<string>());
        Assert.Equal(0.57344, taped["motionRatio"]!.GetValue<double>(), 5);
        Assert.Equal(1 / 0.57344, taped["liftRatio"]!.GetValue<double>(), 3);
        // Six of seven are kept, and say nothing yet.
        view = await caller.Do(job.Path, "setPoints", Body(view, Worked.Take(6).Append(("", ""))));
        Assert.Equal("ruleOfThumb", Front(view)["grade"]!.GetValue<string>());
        Assert.Equal(6, view["document"]!["stages"]![0]!["front"]!["points"]!.AsArray().Count);
    }

    [Fact]
    public async Task Half_a_point_and_points_that_make_no_suspension_are_refused_where_they_stand()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        var view = await job.TakeIn();
        var half = await caller.Do(
            job.Path,
            "setPoints",
            Body(view, Worked.Take(6).Append(("690", ""))),
            422
        );
        Assert.Equal("wheelCentre.up", half["field"]!.GetValue<string>());
        var swapped = await caller.Do(
            job.Path,
            "setPoints",
            Body(view, Worked.Select(p => (p.Z, p.Y))),
            422
        );
        Assert.Contains("swapped", swapped["detail"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    private static object Describe(
        JsonNode view,
        string kind,
        params (string, string, string)[] sizes
    ) =>
        new
        {
            commandId = Guid.CreateVersion7(),
            version = view["versions"]![
                view["document"]!["stages"]![0]!["id"]!.GetValue<string>()
            ]!.GetValue<uint>(),
            axle = "front",
            suspension = kind,
            sizes = sizes.Select(s => new
            {
                name = s.Item1,
                value = new
                {
                    typed = s.Item2,
                    unit = s.Item3,
                    known = "measured",
                },
            }),
        };

    [Fact]
    public async Task A_kind_and_its_sizes_are_kept_and_another_kind_forgets_the_points()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        var view = await job.TakeIn();
        view = await caller.Do(job.Path, "setPoints", Body(view, Worked));
        view = await caller.Do(
            job.Path,
            "setSuspension",
            Describe(view, "coilOverArm", ("armLength", "15 3/8", "in"), ("hoseSlack", "40", "mm"))
        );
        // Points go before the archetype.
        Assert.Equal("taped", Front(view)["grade"]!.GetValue<string>());
        view = await caller.Do(
            job.Path,
            "setSuspension",
            Describe(view, "strut", ("springLean", "7", "°"))
        );
        Assert.Equal("archetype", Front(view)["grade"]!.GetValue<string>());
        Assert.Empty(view["document"]!["stages"]![0]!["front"]!["points"]!.AsArray());
        Assert.Null(view["document"]!["stages"]![0]!["front"]!["dimensions"]!["hoseSlack"]);
    }

    [Theory]
    [InlineData("hoseSlack", "4000", "mm", "hoseSlack")]
    [InlineData("springLean", "much", "°", "springLean")]
    [InlineData("springLean", "7", "mm", "springLean")]
    [InlineData("colour", "7", "mm", "sizes")]
    public async Task A_size_that_cannot_be_is_refused_at_its_field(
        string name,
        string typed,
        string unit,
        string field
    )
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        var view = await job.TakeIn();
        var answer = await caller.Do(
            job.Path,
            "setSuspension",
            Describe(view, "coilOverArm", (name, typed, unit)),
            422
        );
        Assert.Equal(field, answer["field"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_ballast_test_gives_the_axle_a_measured_rate_that_other_sizes_do_not_undo()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        var view = await job.TakeIn();
        object Test(string with) =>
            new
            {
                commandId = Guid.CreateVersion7(),
                version = view["versions"]![job.Stage.ToString()]!.GetValue<uint>(),
                axle = "front",
                weight = Kg("200"),
                behind = Mm("0"),
                without = Mm("520"),
                with = Mm(with),
                after = Mm("519"),
            };
        var refused = await caller.Do(job.Path, "noteBallast", Test("519"), 422);
        Assert.Equal("with", refused["field"]!.GetValue<string>());
        view = await caller.Do(job.Path, "noteBallast", Test("485"));
        JsonNode Rate() => view["document"]!["stages"]![0]!["front"]!["dimensions"]!["wheelRate"]!;
        // 200 kg on two springs over a mean drop of 34.5 mm.
        Assert.Equal(200 * 9.80665 / 2 / 34.5, Rate()["value"]!.GetValue<double>(), 6);
        view = await caller.Do(
            job.Path,
            "setSuspension",
            Describe(view, "coilOverArm", ("hoseSlack", "40", "mm"))
        );
        Assert.Equal("measured", Rate()["known"]!.GetValue<string>());
    }

    private static object Kg(string typed) =>
        new
        {
            typed,
            unit = "kg",
            known = "measured",
        };

    [Fact]
    public async Task The_catalogue_has_every_kind_with_what_is_taped_of_it()
    {
        var kinds = (await (await server.SignIn()).Get("/api/suspensions")).AsArray();
        Assert.Equal(Enum.GetValues<SuspensionKind>().Length, kinds.Count);
        Assert.All(kinds, k => Assert.NotEmpty(k!["sizes"]!.AsArray()));
        var parts = (await (await server.SignIn()).Get("/api/part-kinds")).AsArray();
        Assert.All(
            parts.Where(p => p!["rule"]!["kind"]!.GetValue<string>() is not ("unknown" or "kit")),
            p => Assert.NotEmpty(p!["fits"]!.AsArray())
        );
    }
}
