namespace Nokko.Core.Units;

/// <summary>Weight and mass.</summary>
public static class Gravity
{
    /// <summary>Standard gravity, N/kg.</summary>
    public const double NPerKg = 9.80665;
}
