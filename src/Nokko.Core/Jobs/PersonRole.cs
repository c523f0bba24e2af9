using Nokko.Core.Tape;

namespace Nokko.Core.Jobs;

/// <summary>What a person may do in a shop.</summary>
public enum PersonRole
{
    /// <summary>Everything, and says who else may.</summary>
    Owner,

    /// <summary>All the work.</summary>
    Fitter,

    /// <summary>The work, but somebody else's eyes look over every joint before the vehicle is driven, and theirs are no second pair.</summary>
    Apprentice,

    /// <summary>Looks, and changes nothing.</summary>
    Viewer,
}

/// <summary>What roles have in common.</summary>
public static class PersonRoles
{
    /// <summary>The role as said in a shop.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no role.</exception>
    public static string Said(this PersonRole role) =>
        role switch
        {
            PersonRole.Owner => "owner",
            PersonRole.Fitter => "fitter",
            PersonRole.Apprentice => "apprentice",
            PersonRole.Viewer => "viewer",
            _ => throw new ArgumentOutOfRangeException(nameof(role), role, "No role."),
        };

    /// <summary>What the role may do, in a sentence.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no role.</exception>
    public static string May(this PersonRole role) =>
        role switch
        {
            PersonRole.Owner => "All the work, and says who comes and what each may do.",
            PersonRole.Fitter => "All the work.",
            PersonRole.Apprentice =>
                "The work; but a fitter decides where something stands against it, looks over it, and hands the vehicle over.",
            PersonRole.Viewer => "Looks, and changes nothing.",
            _ => throw new ArgumentOutOfRangeException(nameof(role), role, "No role."),
        };

    /// <summary>Whether the person's own eyes may be the second pair, and the last word on a vehicle.</summary>
    public static bool Answers(this PersonRole role) =>
        role is PersonRole.Owner or PersonRole.Fitter;

    /// <summary>Refuses what somebody who only looks may not do.</summary>
    internal static void MustWork(this PersonRole role)
    {
        if (role == PersonRole.Viewer)
        {
            throw Refuse.Value("", "You look on here and change nothing. Ask the shop's owner.");
        }
    }
}
