using Nokko.Storage;
using Npgsql;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>What the server's own connections are like, whoever owns the database.</summary>
public class DatabaseRolesTests
{
    private const string Owner = "Host=here;Database=shop;Username=owner;Password=secret";

    private static NpgsqlConnectionStringBuilder Server(string more = "", string? given = null) =>
        new(new DatabaseRoles(Owner + more, given).Server);

    [Fact]
    public void It_holds_a_few_connections_for_each_core_unless_it_is_told_how_many()
    {
        Assert.Equal(4 + (4 * Environment.ProcessorCount), Server().MaxPoolSize);
        // Npgsql's own default is a choice where somebody makes it.
        Assert.Equal(100, Server(";Maximum Pool Size=100").MaxPoolSize);
        Assert.Equal(7, Server(";MaxPoolSize=7").MaxPoolSize);
        Assert.Equal(
            9,
            Server(given: "Host=here;Database=shop;Username=server;Maximum Pool Size=9").MaxPoolSize
        );
    }

    [Fact]
    public void It_has_no_statement_compiled_unless_it_is_told_so()
    {
        Assert.Equal("-c jit=off", Server().Options);
        Assert.Equal(
            "-c statement_timeout=9s -c jit=off",
            Server(";Options=-c statement_timeout=9s").Options
        );
        Assert.Equal("-c jit=on", Server(";Options=-c jit=on").Options);
    }

    [Fact]
    public void The_owner_s_connections_are_not_kept() =>
        Assert.False(new NpgsqlConnectionStringBuilder(new DatabaseRoles(Owner).Owner).Pooling);
}
