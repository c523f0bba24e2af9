using System.Collections.Concurrent;

namespace Nokko.Server.People;

/// <summary>Counts wrong passwords by address and name together: who guesses is held up, and nobody can lock another's name.</summary>
internal sealed class SignInTries(TimeProvider clock)
{
    /// <summary>Wrong tries of one name from one address before both wait.</summary>
    public const int MostOfName = 5;

    /// <summary>Wrong tries from one address, whatever the names.</summary>
    public const int MostOfAddress = 30;

    /// <summary>For how long a wrong try counts.</summary>
    public static readonly TimeSpan Counts = TimeSpan.FromMinutes(5);

    private const int MostKept = 50_000;

    private readonly ConcurrentDictionary<
        (string Address, string? Name),
        (DateTimeOffset Since, int Wrong)
    > _wrong = new();

    /// <summary>From where a request comes.</summary>
    public static string From(HttpContext context) =>
        context.Connection.RemoteIpAddress?.ToString() ?? "here";

    /// <summary>Whether a try is let through.</summary>
    public bool MayTry(string address, string name) =>
        Wrong((address, Same(name))) < MostOfName && Wrong((address, null)) < MostOfAddress;

    /// <summary>A try that was wrong.</summary>
    public void WasWrong(string address, string name)
    {
        if (_wrong.Count > MostKept)
        {
            _wrong.Clear();
        }
        foreach (var key in ((string, string?)[])[(address, Same(name)), (address, null)])
        {
            _wrong.AddOrUpdate(
                key,
                _ => (clock.GetUtcNow(), 1),
                (_, was) =>
                    clock.GetUtcNow() - was.Since >= Counts
                        ? (clock.GetUtcNow(), 1)
                        : (was.Since, was.Wrong + 1)
            );
        }
    }

    /// <summary>A try that was right: the name starts anew from there.</summary>
    public void WasRight(string address, string name) =>
        _wrong.TryRemove((address, Same(name)), out _);

    private int Wrong((string, string?) key) =>
        _wrong.TryGetValue(key, out var w) && clock.GetUtcNow() - w.Since < Counts ? w.Wrong : 0;

    private static string Same(string name) => name.Trim().ToUpperInvariant();
}
