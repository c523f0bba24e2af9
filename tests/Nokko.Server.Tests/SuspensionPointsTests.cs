using System.Text.Json.Nodes;
using Nokko.Core.Suspension;
using Xunit;

namespace Nokko.Server.Tests;

public class SuspensionPointsTests(Hosted server) : IClassFixture<Hosted>
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
                view["document"]!["vehicle"]!["id"]!.GetValue<string>()
            ]!.GetValue<uint>(),
            axle = "front",
            points = WishbonePoints.Names.Zip(
                points,
                (name, p) =>
                    new
                    {
                        name,
                        y = Mm(p.Y),
                        z = Mm(p.Z),
                    }
            ),
        };

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
        Assert.Empty(view["taped"]!.AsArray());
        var caller = await server.SignIn();
        view = await caller.Put($"{job.Path}/suspension-points", Body(view, Worked));
        var taped = view["taped"]!.AsArray().Single()!;
        Assert.Equal(0.57344, taped["motionRatio"]!.GetValue<double>(), 5);
        Assert.Equal(1 / 0.57344, taped["liftRatio"]!.GetValue<double>(), 3);
        // Six of seven are kept, and say nothing yet.
        view = await caller.Put(
            $"{job.Path}/suspension-points",
            Body(view, Worked.Take(6).Append(("", "")))
        );
        Assert.Empty(view["taped"]!.AsArray());
        Assert.Equal(6, view["document"]!["vehicle"]!["front"]!["points"]!.AsArray().Count);
    }

    [Fact]
    public async Task Half_a_point_and_points_that_make_no_suspension_are_refused_where_they_stand()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        var view = await job.TakeIn();
        var half = await caller.Put(
            $"{job.Path}/suspension-points",
            Body(view, Worked.Take(6).Append(("690", ""))),
            422
        );
        Assert.Equal("wheelCentre.z", half["field"]!.GetValue<string>());
        var swapped = await caller.Put(
            $"{job.Path}/suspension-points",
            Body(view, Worked.Select(p => (p.Z, p.Y))),
            422
        );
        Assert.Contains("swapped", swapped["detail"]!.GetValue<string>(), StringComparison.Ordinal);
    }
}
