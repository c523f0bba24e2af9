using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>A vehicle that came back: its page holds every visit, and the latest job's document all that was measured.</summary>
public class VehicleYearsTests(Hosted server) : IClassFixture<Hosted>
{
    [Fact]
    public async Task Three_visits_are_one_history_and_its_springs_went_down_between_them()
    {
        var caller = await server.SignIn();
        var here = (await caller.Get("/api/vehicles?mark=HO12D")).AsArray().Single()!;
        var vehicle = await caller.Get($"/api/vehicles/{here["id"]!.GetValue<string>()}");
        var visits = vehicle["visits"]!.AsArray();
        Assert.Equal(3, visits.Count);
        Assert.Equal(here["openJob"]!.GetValue<string>(), visits[0]!["jobId"]!.GetValue<string>());
        var years = vehicle["years"]!;
        Assert.Equal(
            ["as found", "after stack 1", "after stack 2"],
            years["stages"]!.AsArray().Select(s => s!["name"]!.GetValue<string>())
        );
        Assert.Equal(5, years["rounds"]!.AsArray().Count);
        Assert.Equal(
            3,
            years["rounds"]!
                .AsArray()
                .Select(r => r!["jobId"]!.GetValue<string>())
                .Distinct()
                .Count()
        );
        foreach (var stage in years["stages"]!.AsArray().Skip(1))
        {
            JsonNode front = stage!["axles"]![0]!["moved"]!;
            Assert.True(front["value"]!.GetValue<double>() < -2 * front["u"]!.GetValue<double>());
        }
    }

    [Fact]
    public async Task One_that_is_not_there_is_said()
    {
        var caller = await server.SignIn();
        using var answer = await caller.Http.GetAsync(
            $"/api/vehicles/{Guid.CreateVersion7()}",
            TestContext.Current.CancellationToken
        );
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }
}
