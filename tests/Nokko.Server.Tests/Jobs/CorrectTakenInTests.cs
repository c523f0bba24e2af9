using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>What was written down at the take-in is put right in the database: whose vehicle it is, and of which platform.</summary>
public class CorrectTakenInTests(Hosted server) : IClassFixture<Hosted>
{
    private static object Body(JsonNode view, string owner, Guid? another, Guid? platform)
    {
        uint Version(string row) =>
            view["versions"]![view["document"]![row]!["id"]!.GetValue<string>()]!.GetValue<uint>();
        var vehicle = view["document"]!["vehicle"]!;
        return new
        {
            version = Version("job"),
            vehicleVersion = Version("vehicle"),
            ownerVersion = Version("owner"),
            ownerName = owner,
            ownerContact = (string?)null,
            newOwnerId = another,
            make = vehicle["make"]!.GetValue<string>(),
            name = vehicle["name"]!.GetValue<string>(),
            plate = vehicle["plate"]?.GetValue<string>(),
            vin = vehicle["vin"]?.GetValue<string>(),
            engine = vehicle["engine"]?.GetValue<string>(),
            drive = vehicle["drive"]?.GetValue<string>(),
            carries = (string?)null,
            troubles = (string?)null,
            wish = "level",
            promisedOn = (string?)null,
            odometer = (object?)null,
            equipment = view["document"]!["job"]!["equipment"]!.GetValue<string>(),
            platformId = platform,
        };
    }

    [Fact]
    public async Task An_owner_whom_nobody_knows_any_more_is_let_go_and_a_known_one_is_taken()
    {
        var caller = await server.SignIn();
        var first = new TestJob(caller);
        var view = await first.TakeIn();
        var wrong = view["document"]!["owner"]!["id"]!.GetValue<Guid>();
        var plate = $"OW {Guid.NewGuid():N}"[..12];
        var name = $"Nils {Guid.NewGuid():N}"[..14];
        await caller.Do(
            first.Path,
            "correctTakenIn",
            Body(view, name, Guid.CreateVersion7(), null)
        );
        view = await caller.Get(first.Path);
        var right = view["document"]!["owner"]!["id"]!.GetValue<Guid>();
        Assert.NotEqual(wrong, right);
        Assert.Equal(right, view["document"]!["vehicle"]!["ownerId"]!.GetValue<Guid>());
        Assert.Equal(
            0,
            await server.Ask<long>($"select count(*) from owners where id = '{wrong}'")
        );

        // Another vehicle of theirs, taken in under a slip of the pen: there is one Nils, with his phone.
        var second = new TestJob(caller) { Platform = first.Platform };
        var takeIn = JsonNode.Parse(
            System.Text.Json.JsonSerializer.Serialize(
                second.TakeInBody(first.Platform.ToString(), plate: plate)
            )
        )!;
        takeIn["ownerName"] = "Nlis";
        view = await caller.Shop("takeIn", takeIn);
        await caller.Do(
            second.Path,
            "correctTakenIn",
            Body(view, name, Guid.CreateVersion7(), null)
        );
        Assert.Equal(
            right,
            (await caller.Get(second.Path))["document"]!["owner"]!["id"]!.GetValue<Guid>()
        );
        Assert.Equal(0, await server.Ask<long>("select count(*) from owners where name = 'Nlis'"));
        // Renamed he is renamed in both, and the yard finds both.
        view = await caller.Get(second.Path);
        await caller.Do(second.Path, "correctTakenIn", Body(view, name + " Ask", null, null));
        Assert.Equal(
            2,
            (await caller.Get($"/api/yard?find={Uri.EscapeDataString(name + " Ask")}"))["jobs"]!
                .AsArray()
                .Count
        );
    }

    [Fact]
    public async Task What_a_vehicle_proved_goes_with_it_to_another_platform()
    {
        var caller = await server.SignIn();
        var found = (await caller.Get("/api/yard?find=SV%20118"))["jobs"]!.AsArray().Single()!;
        var path = $"/api/jobs/{found["jobId"]!.GetValue<Guid>()}";
        var view = await caller.Get(path);
        var vehicle = view["document"]!["vehicle"]!["id"]!.GetValue<Guid>();
        var old = view["document"]!["platform"]!["id"]!.GetValue<Guid>();
        var other = Guid.CreateVersion7();
        await caller.Shop("savePlatform", new { id = other, name = "Fell, another" });
        var (there, here) = (await Taught(old), await Taught(other));
        var own = await server.Ask<long>(
            $"select count(*) from lift_trials where vehicle_id = '{vehicle}' and platform_id = '{old}'"
        );
        Assert.InRange(own, 1, there);
        Assert.Equal(0, here);

        var body = Body(view, view["document"]!["owner"]!["name"]!.GetValue<string>(), null, other);
        var answer = await caller.Commands(path, Caller.Command("correctTakenIn", body));
        // Other jobs teach other things there: whoever looks at it fetches it anew.
        Assert.Equal(-1, answer["from"]!.GetValue<long>());
        view = await caller.Get(path);
        Assert.Equal(answer["version"]!.GetValue<long>(), view["version"]!.GetValue<long>());
        Assert.Equal(
            ("Fell, another", other),
            (
                view["document"]!["platform"]!["name"]!.GetValue<string>(),
                view["document"]!["vehicle"]!["platformId"]!.GetValue<Guid>()
            )
        );
        Assert.Equal((there - own, own), (await Taught(old), await Taught(other)));
        Assert.Equal(
            own,
            await server.Ask<long>(
                $"select count(*) from lift_trials where vehicle_id = '{vehicle}' and platform_id = '{other}'"
            )
        );

        await caller.Do(
            path,
            "correctTakenIn",
            Body(
                view,
                view["document"]!["owner"]!["name"]!.GetValue<string>(),
                null,
                Guid.NewGuid()
            ),
            422
        );

        async Task<long> Taught(Guid platform) =>
            await server.Ask<long>(
                $"select coalesce(sum(trials), 0)::bigint from lift_sums where platform_id = '{platform}'"
            );
    }
}
