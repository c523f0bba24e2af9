using CsCheck;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Tape;

/// <summary>Lengths as they are called across a bay, written down as recognition writes them.</summary>
public class SpokenTapeTests
{
    private static readonly TapeField Inches = new(Unit.Inch, 25.4 / 16, []);

    private static double Heard(string text) =>
        Assert.IsType<TapeReading.Understood>(TapeReader.Read(text, Inches)).Mm / 25.4;

    private static string Refused(string text) =>
        Assert.IsType<TapeReading.Refused>(TapeReader.Read(text, Inches)).Reason;

    [Theory]
    [InlineData("thirty-five and a half", 35.5)]
    [InlineData("Thirty five and a half", 35.5)]
    [InlineData("35 and a half", 35.5)]
    [InlineData("35 and 7 sixteenths", 35 + (7 / 16.0))]
    [InlineData("35 and 7/16", 35 + (7 / 16.0))]
    [InlineData("twenty-two and three quarters inches", 22.75)]
    [InlineData("twenty and thirteen sixteenths", 20 + (13 / 16.0))]
    [InlineData("twenty one and twenty-one thirty-seconds", 21 + (21 / 32.0))]
    [InlineData("twenty and sixty-three sixty-fourths", 20 + (63 / 64.0))]
    [InlineData("five eighths", 0.625)]
    [InlineData("a half", 0.5)]
    [InlineData("half an inch", 0.5)]
    // As it is read back.
    [InlineData("22 and an eighth", 22.125)]
    [InlineData("22 and 31 thirty-seconds", 22 + (31 / 32.0))]
    [InlineData("three quarters of an inch", 0.75)]
    [InlineData("nineteen", 19)]
    [InlineData("forty inches", 40)]
    [InlineData("thirty point five", 30.5)]
    [InlineData("two feet eleven and a half inches", 35.5)]
    [InlineData("five hundred and twenty millimetres", 520 / 25.4)]
    [InlineData("one thousand and forty-one point four millimeters", 41)]
    [InlineData("a thousand and forty mm", 1040 / 25.4)]
    [InlineData("ninety point two centimetres", 902 / 25.4)]
    public void Is_what_was_meant(string text, double inches) =>
        Assert.Equal(inches, Heard(text), 9);

    [Fact]
    public void Strong_and_shy_stay_behind_the_number()
    {
        Assert.True(Heard("thirty-five and a half strong") > 35.5);
        Assert.True(Heard("thirty-five and a half shy") < 35.5);
    }

    /// <summary>One word lost by the line between two people, and another length would be heard: it is refused with how to say it.</summary>
    [Theory]
    [InlineData("thirty five eighths")]
    [InlineData("twenty five sixteenths")]
    [InlineData("thirty and a half quarters")]
    [InlineData("five twenty")]
    [InlineData("three five and a half")]
    [InlineData("thirty-five and")]
    [InlineData("and a half")]
    [InlineData("thirty-five and nine eighths")]
    [InlineData("thirty-five and zero eighths")]
    [InlineData("thirty point")]
    [InlineData("thirty point fifty")]
    [InlineData("a hundred hundred")]
    [InlineData("fifty second")]
    public void What_could_be_two_lengths_is_refused(string text) => Assert.NotEmpty(Refused(text));

    [Theory]
    [InlineData("about two feet", "about")]
    [InlineData("thirty-five and a bit", "bit")]
    [InlineData("one; drop table jobs", ";")]
    public void A_word_that_belongs_to_no_length_is_refused_as_it_was_typed(
        string text,
        string word
    ) => Assert.Contains(word, Refused(text), StringComparison.Ordinal);

    /// <summary>Every sixteenth up to five feet and every millimetre up to three metres, said by a grammar of its own.</summary>
    [Fact]
    public void Whatever_is_said_as_it_should_be_is_heard_as_it_was_meant()
    {
        Gen.Int[1, 960]
            .Sample(n =>
            {
                var (whole, over) = (n / 16, n % 16);
                var under = 16;
                while (over > 0 && over % 2 == 0)
                {
                    (over, under) = (over / 2, under / 2);
                }
                var fraction =
                    over == 0 ? ""
                    : under == 2 ? "a half"
                    : $"{Said(over)} {(under, over) switch { (4, 1) => "quarter", (4, _) => "quarters", (8, 1) => "eighth", (8, _) => "eighths", (_, 1) => "sixteenth", _ => "sixteenths" }}";
                var text = string.Join(
                    " and ",
                    new[] { whole == 0 ? "" : Said(whole), fraction }.Where(t => t != "")
                );
                Assert.Equal(n / 16.0, Heard(text), 9);
            });
        Gen.Int[1, 3000].Sample(mm => Assert.Equal(mm / 25.4, Heard($"{Said(mm)} millimetres"), 9));
    }

    [Theory]
    [InlineData("left front, thirty-five and a half", "LF", "thirty-five and a half", true)]
    [InlineData("Front left 35 1/2", "LF", "35 1/2", true)]
    [InlineData("right middle 41", "RM", "41", true)]
    [InlineData("right front 35 1/2", "LF", "35 1/2", false)]
    [InlineData("35 1/2", "LF", "35 1/2", true)]
    [InlineData("left over 35", "LF", "left over 35", true)]
    public void A_called_station_is_the_one_at_which_it_is_read(
        string text,
        string station,
        string rest,
        bool taken
    )
    {
        Assert.Equal(rest, SpokenPlace.Without(text, station, out var why));
        Assert.Equal(taken, why is null);
    }

    private static readonly string[] Small =
        "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen".Split(
            ' '
        );

    private static readonly string[] Tens =
        "- - twenty thirty forty fifty sixty seventy eighty ninety".Split(' ');

    private static string Said(int n) =>
        n < 20 ? Small[n]
        : n < 100 ? Tens[n / 10] + (n % 10 == 0 ? "" : "-" + Small[n % 10])
        : n < 1000 ? $"{Small[n / 100]} hundred" + (n % 100 == 0 ? "" : $" and {Said(n % 100)}")
        : $"{Small[n / 1000]} thousand"
            + (n % 1000 == 0 ? "" : (n % 1000 < 100 ? " and " : " ") + Said(n % 1000));
}
