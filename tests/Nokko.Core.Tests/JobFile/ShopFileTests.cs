using System.Text.Json;
using System.Text.Json.Nodes;
using Nokko.Core.Fitting;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Core.Week;
using Xunit;

namespace Nokko.Core.Tests.JobFile;

/// <summary>What a shop has beside its jobs: read as it was written, and every fault named at its place.</summary>
public class ShopFileTests
{
    private static readonly Guid Key = Guid.Parse("01900000-0000-7000-8000-000000000001");

    private static ShopFile Whole() =>
        new()
        {
            Format = ShopFile.FormatName,
            Version = 1,
            Name = "Marl Street Fitting",
            Settings = new ShopSettings
            {
                Hours = new ShopHours
                {
                    Opens = 450,
                    Days = [DayOfWeek.Tuesday, DayOfWeek.Saturday],
                    Closed = [new DateOnly(2026, 12, 24)],
                },
                TimeZone = "Europe/Oslo",
                Denominator = 32,
                // Typed in inches, kept so.
                Tolerance = new Quantity
                {
                    Value = 0.1875,
                    Unit = Unit.Inch,
                    Known = Known.Told,
                    Typed = "3/16",
                },
                Bays = ["pit"],
            },
            Ways = new ShopWays { Id = Key, TorqueBand = 0.05 },
            Tips =
            [
                new Tip
                {
                    Id = Key,
                    Operation = OperationKind.Strut,
                    Text = "Tap it",
                    PersonId = Key,
                    PersonName = "Ada Marl",
                    At = DateTimeOffset.UnixEpoch,
                },
            ],
            Instruments =
            [
                new Instrument
                {
                    Id = Key,
                    Kind = InstrumentKind.TorqueWrench,
                    Name = "Wrench 4",
                    CheckDays = 365,
                    Checks =
                    [
                        new InstrumentCheck
                        {
                            Id = Key,
                            On = new DateOnly(2026, 3, 2),
                            Against = "certificate",
                            Truth = new Quantity
                            {
                                Value = 100,
                                Unit = Unit.NewtonMetre,
                                Known = Known.Measured,
                            },
                            Said = new Quantity
                            {
                                Value = 102,
                                Unit = Unit.NewtonMetre,
                                Known = Known.Measured,
                            },
                            PersonId = Key,
                            At = DateTimeOffset.UnixEpoch,
                        },
                    ],
                    Mishaps =
                    [
                        new InstrumentMishap
                        {
                            Id = Key,
                            At = DateTimeOffset.UnixEpoch,
                            What = "fell",
                            PersonId = Key,
                        },
                    ],
                },
            ],
            Platforms = [new Platform { Id = Key, Name = "Ostrel Drover" }],
            Owners = [new Owner { Id = Key, Name = "A. Nother" }],
            Parts =
            [
                new Part
                {
                    Id = Key,
                    Number = "T-1",
                    Name = "Plate",
                    Kind = PartKind.StrutTopSpacer,
                    Thickness = new Quantity
                    {
                        Value = 1.2,
                        Unit = Unit.Inch,
                        Known = Known.Told,
                    },
                    Count = 4,
                },
            ],
            People = [new ShopPerson(Key, "Ada Marl", "ada", PersonRole.Owner, Unit.Mm, null)],
            History =
            [
                new HistoryEntry
                {
                    Id = Key,
                    Kind = "part kept",
                    PersonId = Key,
                    At = DateTimeOffset.UnixEpoch,
                },
            ],
        };

    [Fact]
    public void A_shop_comes_back_as_it_was_written()
    {
        var text = JobJson.Canonical(Whole());
        Assert.Equal(text, JobJson.Canonical(ShopFile.Read(text)));
        // Nobody settled ways, and nothing was ever done: an empty shop is one, too.
        var empty = JobJson.Canonical(
            new ShopFile
            {
                Format = ShopFile.FormatName,
                Version = 1,
                Name = "Empty",
                Settings = ShopSettings.Usual,
                People = [],
            }
        );
        Assert.Equal(empty, JobJson.Canonical(ShopFile.Read(empty)));
    }

    public static TheoryData<string, string, string?> Faults =>
        new()
        {
            { "format", "\"nokko-job\"", "$.format" },
            { "version", "0", "$.version" },
            { "version", "2", "$.version" },
            { "name", "\" \"", "$.name" },
            { "settings", "null", "$.settings" },
            { "settings.denominator", "5", "$.settings.denominator" },
            { "settings.dates", "\"xx\"", "$.settings.dates" },
            { "settings.hours.opens", "1200", "$.settings.hours" },
            { "settings.hours.days", "[]", "$.settings.hours" },
            { "settings.hours.days", "null", null },
            { "tips", "[null]", "$.tips" },
            { "tips", "null", "$.tips" },
            { "instruments", "[null]", "$.instruments" },
            { "instruments.0.name", "\" \"", "$.instruments[0].name" },
            { "instruments.0.kind", "\"laser\"", null },
            { "instruments.0.checkDays", "0", "$.instruments[0].checkDays" },
            { "instruments.0.checkDays", "3651", "$.instruments[0].checkDays" },
            { "instruments.0.checks", "null", "$.instruments[0].checks" },
            { "instruments.0.checks", "[null]", "$.instruments[0].checks" },
            { "instruments.0.checks.0.truth.value", "0", "$.instruments[0].checks" },
            { "instruments.0.checks.0.truth.unit", "\"mm\"", "$.instruments[0].checks" },
            { "instruments.0.checks.0.said.value", "-102", "$.instruments[0].checks" },
            { "instruments.0.checks.0.said.value", "126", "$.instruments[0].checks" },
            { "instruments.0.checks.0.said.unit", "\"°\"", "$.instruments[0].checks" },
            { "instruments.0.mishaps", "null", "$.instruments[0].mishaps" },
            { "instruments.0.mishaps", "[null]", "$.instruments[0].mishaps" },
            { "platforms", "[null]", "$.platforms" },
            { "platforms.0.name", "\"\"", "$.platforms[0].name" },
            { "owners", "[null]", "$.owners" },
            { "owners.0.name", "\" \"", "$.owners[0].name" },
            { "owners.0.id", "\"00000000-0000-0000-0000-000000000000\"", "$.owners" },
            { "parts", "[null]", "$.parts" },
            { "parts.0.count", "-1", "$.parts[0].count" },
            { "parts.0.price", "-1", "$.parts[0].price" },
            { "parts.0.thickness.value", "-3", "$.parts[0].thickness" },
            { "parts.0.thickness.unit", "\"kg\"", "$.parts[0].thickness" },
            { "parts.0.kind", "\"wing\"", null },
            { "history", "[null]", "$.history" },
            { "people", "null", "$.people" },
            { "people", "[null]", "$.people[0]" },
            { "people.0.name", "\" \"", "$.people[0]" },
            { "people.0.userName", "\"\"", "$.people[0]" },
            { "people.0.role", "\"king\"", null },
            { "people.0.lengthUnit", "\"kg\"", "$.people[0]" },
            { "people.0.id", "\"00000000-0000-0000-0000-000000000000\"", "$.people[0]" },
        };

    [Theory]
    [MemberData(nameof(Faults))]
    public void A_fault_is_named_at_its_place(string where, string value, string? field)
    {
        var file = JsonNode.Parse(JobJson.Canonical(Whole()))!;
        var steps = where.Split('.');
        var node = file;
        foreach (var step in steps[..^1])
        {
            node = int.TryParse(step, out var i) ? node[i]! : node[step]!;
        }
        node[steps[^1]] = JsonNode.Parse(value);
        var refused = Assert.Throws<RefusedException>(() => ShopFile.Read(file.ToJsonString()));
        Assert.Equal(RefusalKind.BadValue, refused.Refusal.Kind);
        Assert.StartsWith("$", refused.Refusal.Field, StringComparison.Ordinal);
        if (field is not null)
        {
            Assert.Equal(field, refused.Refusal.Field);
        }
    }

    [Theory]
    [InlineData("tips")]
    [InlineData("platforms")]
    [InlineData("owners")]
    [InlineData("parts")]
    [InlineData("people")]
    [InlineData("history")]
    public void A_key_that_stands_twice_in_a_list_is_refused(string list)
    {
        var file = JsonNode.Parse(JobJson.Canonical(Whole()))!;
        file[list]!.AsArray().Add(file[list]![0]!.DeepClone());
        Assert.Equal(
            $"$.{list}",
            Assert.Throws<RefusedException>(() => ShopFile.Read(file.ToJsonString())).Refusal.Field
        );
    }

    [Fact]
    public void Two_who_would_sign_in_with_one_name_are_refused()
    {
        var twice = JobJson.Canonical(
            Whole() with
            {
                People =
                [
                    .. Whole().People,
                    new ShopPerson(
                        Guid.Parse("01900000-0000-7000-8000-000000000002"),
                        "Another",
                        "ADA",
                        PersonRole.Fitter,
                        Unit.Inch,
                        null
                    ),
                ],
            }
        );
        var refused = Assert.Throws<RefusedException>(() => ShopFile.Read(twice)).Refusal;
        Assert.Equal("$.people", refused.Field);
        Assert.Contains("sign in", refused.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("")]
    [InlineData("null")]
    [InlineData("[]")]
    [InlineData("{}")]
    [InlineData("{\"format\":\"nokko-shop\"")]
    public void What_is_no_shop_s_file_is_refused(string text) =>
        Assert.StartsWith(
            "$",
            Assert.Throws<RefusedException>(() => ShopFile.Read(text)).Refusal.Field,
            StringComparison.Ordinal
        );

    [Fact]
    public void Names_of_eighty_letters_are_names_and_longer_ones_are_nobody_s()
    {
        foreach (
            var (name, userName, ok) in new[]
            {
                (new string('n', 80), new string('u', 80), true),
                (new string('n', 81), "u", false),
                ("n", new string('u', 81), false),
            }
        )
        {
            var text = JobJson.Canonical(
                Whole() with
                {
                    People =
                    [
                        new ShopPerson(Key, name, userName, PersonRole.Viewer, Unit.Inch, null),
                    ],
                }
            );
            if (ok)
            {
                Assert.Equal(name, ShopFile.Read(text).People[0].Name);
            }
            else
            {
                Assert.Equal(
                    "$.people[0]",
                    Assert.Throws<RefusedException>(() => ShopFile.Read(text)).Refusal.Field
                );
            }
        }
    }
}
