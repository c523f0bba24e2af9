using Microsoft.AspNetCore.Identity;
using Nokko.Server.Hosting;

namespace Nokko.Server.People;

/// <summary>What a password must be, and the words for what it is not.</summary>
internal static class PasswordRules
{
    /// <summary>Least length.</summary>
    public const int Least = 8;

    /// <summary>Most length: what is longer only costs time.</summary>
    public const int Most = 128;

    /// <summary>Rounds of PBKDF2 with HMAC-SHA-512, as OWASP asks for since 2023.</summary>
    public const int Rounds = 210_000;

    /// <summary>What is tried first, in small letters.</summary>
    private static readonly Lazy<HashSet<string>> Common = new(() =>
    {
        using var list = new StreamReader(
            typeof(PasswordRules).Assembly.GetManifestResourceStream("common-passwords.txt")!
        );
        return list.ReadToEnd().Split('\n').Where(l => !l.StartsWith('#')).ToHashSet();
    });

    /// <summary>What stands against a name and a password, at its field.</summary>
    public static Trouble? WhyNot(string? userName, string? password)
    {
        var name = (userName ?? "").Trim();
        return userName is not null && (name.Length is 0 or > 40)
                ? Trouble.At("userName", "A name to sign in with has 1 to 40 letters or digits.")
            : (password ?? "").Length < Least
                ? Trouble.At("password", $"At least {Least} letters: several words are best.")
            : password!.Length > Most ? Trouble.At("password", $"At most {Most} letters.")
            : name.Length > 0 && password.Contains(name, StringComparison.OrdinalIgnoreCase)
                ? Trouble.At("password", "The name itself is no password.")
            : Common.Value.Contains(password.ToLowerInvariant())
                ? Trouble.At(
                    "password",
                    "This is among the first that somebody tries. Several words are best."
                )
            : null;
    }

    /// <summary>What Identity refused, in a fitter's words.</summary>
    public static Trouble Of(IdentityResult result) =>
        result.Errors.Any(e =>
            e.Code
                is nameof(IdentityErrorDescriber.DuplicateUserName)
                    or nameof(IdentityErrorDescriber.InvalidUserName)
        )
            ? Trouble.At(
                "userName",
                "This name is taken, or has signs that a name cannot have. Choose another."
            )
            : Trouble.At("password", string.Join(" ", result.Errors.Select(e => e.Description)));
}
