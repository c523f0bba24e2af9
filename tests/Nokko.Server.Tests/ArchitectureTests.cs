using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using Xunit;
using static ArchUnitNET.Fluent.ArchRuleDefinition;
using Assembly = System.Reflection.Assembly;

namespace Nokko.Server.Tests;

/// <summary>Core ← Storage, Bay, Tool ← Server: nothing points the other way.</summary>
public class ArchitectureTests
{
    private static readonly Assembly Core = typeof(Core.Units.Quantity).Assembly;
    private static readonly Assembly Storage = typeof(Storage.NokkoDb).Assembly;
    private static readonly Assembly Tool = typeof(Tool.Program).Assembly;
    private static readonly Assembly Bay = typeof(Bay.BayLine).Assembly;
    private static readonly Assembly Server = typeof(Program).Assembly;
    private static readonly Architecture Loaded = new ArchLoader().LoadAssemblies(Core).Build();

    [Fact]
    public void The_core_knows_no_web_no_database_and_no_other_part() =>
        Assert.DoesNotContain(
            Core.GetReferencedAssemblies(),
            r =>
                r.Name!.StartsWith("Microsoft.AspNetCore", StringComparison.Ordinal)
                || r.Name.StartsWith("Microsoft.EntityFrameworkCore", StringComparison.Ordinal)
                || r.Name.StartsWith("Npgsql", StringComparison.Ordinal)
                || r.Name.StartsWith("Nokko.", StringComparison.Ordinal)
        );

    [Fact]
    public void The_core_reads_no_clock_no_file_and_no_network()
    {
        var types = Types().That().ResideInAssembly(Core).GetObjects(Loaded);
        string[] forbidden =
        [
            "System.IO.File",
            "System.Net.",
            "System.Diagnostics.Process",
            "System.TimeProvider",
            "System.Environment",
        ];
        var broken = types
            .SelectMany(t => t.Dependencies.Select(d => (t.FullName, Target: d.Target.FullName)))
            .Where(d => forbidden.Any(f => d.Target.StartsWith(f, StringComparison.Ordinal)));
        Assert.Empty(broken);
        var clock = types
            .SelectMany(t =>
                t.Dependencies.OfType<ArchUnitNET.Domain.Dependencies.MethodCallDependency>()
            )
            .Select(c => c.TargetMember)
            .Where(m =>
                m.DeclaringType.FullName.StartsWith("System.DateTime", StringComparison.Ordinal)
                && (m.Name is "get_UtcNow()" or "get_Now()" or "get_Today()")
            );
        Assert.Empty(clock);
    }

    [Fact]
    public void Storage_bay_and_tool_know_the_core_only()
    {
        Assert.Equal(["Nokko.Core"], Ours(Storage));
        Assert.Equal(["Nokko.Core"], Ours(Bay));
        Assert.Equal(["Nokko.Core"], Ours(Tool));
        Assert.Equal(["Nokko.Bay", "Nokko.Core", "Nokko.Storage"], Ours(Server));
    }

    /// <summary>Folders of the core, lowest first: a folder knows only those before it.</summary>
    private static readonly string[] Floors =
    [
        "Units",
        "Tape",
        "Vehicles",
        "Shelf",
        "WalkRounds",
        "Suspension",
        "Stance",
        "Geometry",
        "Plans",
        "Proof",
        "Evidence",
        "Finding",
        "Fitting",
        "Week",
        "Jobs",
        "Year",
        "Papers",
        "Bench",
        "JobFile",
        "Practice",
    ];

    [Fact]
    public void The_folders_of_the_core_are_floors_without_a_ring()
    {
        var here = Types().That().ResideInAssembly(Core).GetObjects(Loaded).ToArray();
        Assert.Equal(
            Floors.Order(),
            here.Select(t => Floor(t.FullName)).OfType<string>().Distinct().Order()
        );
        Assert.Empty(
            from type in here
            let own = Floor(type.FullName)
            where own is not null
            from target in type.Dependencies.Select(d => d.Target.FullName).Distinct()
            let to = Floor(target)
            where to is not null && Array.IndexOf(Floors, to) > Array.IndexOf(Floors, own)
            select $"{type.FullName} knows {target}"
        );
    }

    private static string? Floor(string fullName) =>
        fullName.StartsWith("Nokko.Core.", StringComparison.Ordinal)
            ? fullName.Split('.')[2]
            : null;

    private static string[] Ours(Assembly assembly) =>
        [
            .. assembly
                .GetReferencedAssemblies()
                .Select(r => r.Name!)
                .Where(n => n.StartsWith("Nokko.", StringComparison.Ordinal))
                .Order(),
        ];
}
