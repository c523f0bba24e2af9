namespace Nokko.Core.Units;

/// <summary>A row with a key that is kept as long as the row.</summary>
public interface IRow
{
    /// <summary>Key.</summary>
    Guid Id { get; }
}
