namespace Nokko.Core.Shelf;

/// <summary>One leaf, or several alike, of a leaf pack; free, on the bench. mm.</summary>
public sealed record Leaf
{
    /// <summary>How many alike.</summary>
    public int Count { get; init; } = 1;

    /// <summary>Centre pin to its front end, along the leaf.</summary>
    public required double FrontMm { get; init; }

    /// <summary>Centre pin to its rear end, along the leaf.</summary>
    public required double RearMm { get; init; }

    /// <summary>Width.</summary>
    public required double WidthMm { get; init; }

    /// <summary>Thickness; a tapered leaf must be measured by a ballast test instead.</summary>
    public required double ThicknessMm { get; init; }

    /// <summary>Free arch over its own length; below zero is bent the other way.</summary>
    public required double ArchMm { get; init; }

    /// <summary>An overload leaf works only once the others have come down to it.</summary>
    public bool Overload { get; init; }
}
