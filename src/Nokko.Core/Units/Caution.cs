namespace Nokko.Core.Units;

/// <summary>How much something has to be heeded.</summary>
public enum Heed
{
    /// <summary>Look at it before or while it is fitted.</summary>
    Look,

    /// <summary>Something must change before it is fitted.</summary>
    Stop,
}

/// <summary>A caution, where its danger is.</summary>
/// <param name="Heed">How much.</param>
/// <param name="Says">In a fitter's words.</param>
public sealed record Caution(Heed Heed, string Says);
