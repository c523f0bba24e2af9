using NodaTime;

namespace Nokko.Server.Week;

/// <summary>The shop's own time: instants as its clock on the wall shows them.</summary>
/// <param name="zone">Its time zone.</param>
internal sealed class ShopTime(DateTimeZone zone)
{
    /// <summary>The zone's name (IANA).</summary>
    public string Zone => zone.Id;

    /// <summary>Whether a time zone of this name is known.</summary>
    public static bool IsZone(string? name) =>
        name is not null && DateTimeZoneProviders.Tzdb.GetZoneOrNull(name) is not null;

    /// <summary>The time of the first zone that is known, else UTC.</summary>
    /// <param name="names">Names of zones.</param>
    public static ShopTime Of(params IEnumerable<string?> names) =>
        new(
            names
                .OfType<string>()
                .Select(DateTimeZoneProviders.Tzdb.GetZoneOrNull)
                .FirstOrDefault(z => z is not null)
                ?? DateTimeZone.Utc
        );

    /// <summary>An instant on the clock on the wall.</summary>
    public DateTime Local(DateTimeOffset instant) =>
        Instant.FromDateTimeOffset(instant).InZone(zone).ToDateTimeUnspecified();
}
