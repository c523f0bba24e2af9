using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Plans;
using Nokko.Server.Hosting;

namespace Nokko.Server.Jobs;

/// <summary>Loads that were stated: what stays (an engine, a winch), and what is put on and taken off (a trailer, a tank).</summary>
internal static class Loads
{
    internal sealed record LoadInput(
        Guid Id,
        string Name,
        QuantityInput? Mass,
        QuantityInput? Behind,
        QuantityInput? Left,
        bool Stays
    );

    internal sealed record EditLoads(Guid CommandId, uint Version, IReadOnlyList<LoadInput> Loads);

    public static void Map(RouteGroupBuilder jobs) => jobs.MapPut("/{job:guid}/loads", Store);

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Store(
        Guid job,
        EditLoads body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "loads stated",
            body,
            d =>
                desk.Edit(d.Job, body.Version, d.Job with { Loads = [.. body.Loads.Select(Read)] }),
            cancel
        );

    private static StatedLoad Read(LoadInput load, int i)
    {
        var mass =
            QuantityInput.Read(load.Mass, $"loads[{i}].mass", "kg", positive: false)
            ?? throw new TroubleException(Trouble.At($"loads[{i}].mass", "How heavy is it?"));
        if (Math.Abs(mass.In("kg")) > 10_000)
        {
            throw new TroubleException(
                Trouble.At($"loads[{i}].mass", "No axle carries that: check the unit.")
            );
        }
        var behind =
            QuantityInput.Read(load.Behind, $"loads[{i}].behind", "mm", positive: false)
            ?? throw new TroubleException(
                Trouble.At($"loads[{i}].behind", "Where is it: how far behind the front axle?")
            );
        return Math.Abs(behind.In("mm")) > 20_000
            ? throw new TroubleException(
                Trouble.At($"loads[{i}].behind", "That is off the vehicle: check the unit.")
            )
            : new StatedLoad
            {
                Id = load.Id,
                Name = TakeIn.Text(load.Name, $"loads[{i}].name", "What is it?"),
                Mass = mass,
                Behind = behind,
                Left = QuantityInput.Read(load.Left, $"loads[{i}].left", "mm", positive: false),
                Stays = load.Stays,
            };
    }
}
