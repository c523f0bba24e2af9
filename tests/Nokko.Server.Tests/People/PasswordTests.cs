using System.Buffers.Binary;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.DependencyInjection;
using Nokko.Storage;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>How dear a guess is.</summary>
public class PasswordTests(Hosted server) : IClassFixture<Hosted>
{
    /// <summary>Rounds that stand in a hash of Identity's third form: a mark, the function, the rounds.</summary>
    private static uint Rounds(string hash) =>
        BinaryPrimitives.ReadUInt32BigEndian(Convert.FromBase64String(hash).AsSpan(5));

    [Fact]
    public async Task What_is_tried_first_is_no_password()
    {
        var odd = await server.SignIn("odd");
        foreach (var common in (string[])["password1", "QwertyUiop", "1qaz2wsx", "football"])
        {
            var refused = await odd.Put(
                "/api/me/password",
                new { now = "stance-42", password = common },
                422
            );
            Assert.Equal("password", refused["field"]!.GetValue<string>());
            Assert.Contains(
                "among the first",
                refused["detail"]!.GetValue<string>(),
                StringComparison.Ordinal
            );
        }
    }

    [Fact]
    public async Task A_password_is_hashed_as_dearly_as_is_asked_for_and_an_old_hash_made_anew_at_the_next_sign_in()
    {
        // As a server is that nobody told otherwise.
        await using var usual = Hosted.OnDatabase(server.Connection, (Hosted.PasswordRounds, ""));
        using var scope = usual.Services.CreateScope();
        var users = scope.ServiceProvider.GetRequiredService<UserManager<Account>>();
        var odd = (await users.FindByNameAsync("odd"))!;
        var cheap = new PasswordHasher<Account>(
            Microsoft.Extensions.Options.Options.Create(
                new PasswordHasherOptions { IterationCount = 1_000 }
            )
        ).HashPassword(odd, "stance-42");
        await server.Ask<object>(
            $"update accounts set password_hash = '{cheap}' where user_name = 'odd' returning 1"
        );
        await usual.SignIn("odd");
        Assert.True(
            Rounds(
                await server.Ask<string>(
                    "select password_hash from accounts where user_name = 'odd'"
                )
            ) >= 210_000
        );
    }
}
