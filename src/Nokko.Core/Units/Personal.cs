namespace Nokko.Core.Units;

/// <summary>Says who somebody is, or whose vehicle it is: kept in its own row only and never in the log of changes, so that a person can be erased.</summary>
[AttributeUsage(AttributeTargets.Property)]
public sealed class PersonalAttribute : Attribute;
