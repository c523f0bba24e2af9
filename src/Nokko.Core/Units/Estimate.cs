namespace Nokko.Core.Units;

/// <summary>A mean with its standard deviation.</summary>
/// <param name="Mean">The mean.</param>
/// <param name="Sd">The standard deviation; not below zero.</param>
public readonly record struct Estimate(double Mean, double Sd);
