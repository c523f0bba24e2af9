namespace Nokko.Core.Practice;

/// <summary>Keys of exercises: told from those of jobs by themselves, so that a job is asked for nothing more.</summary>
public static class PracticeKey
{
    /// <summary>The key of an exercise that somebody asked for: theirs, marked as version 8, the version for what applications make (RFC 9562, 5.8).</summary>
    /// <param name="asked">Key of what was asked.</param>
    public static Guid Of(Guid asked)
    {
        var text = asked.ToString().ToCharArray();
        text[14] = '8';
        return new Guid(new string(text));
    }

    /// <summary>Whether a key may be that of an exercise.</summary>
    /// <param name="key">The key.</param>
    public static bool Is(Guid key) => key.Version == 8;
}
