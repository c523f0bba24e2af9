namespace Nokko.Core.WalkRounds;

/// <content>Keys of those that a rule speaks of.</content>
public static partial class Measures
{
    /// <summary>Hub centre above the floor: the loaded radius.</summary>
    public const string HubHeight = "hubHeight";

    /// <summary>Hub centre to the lowest edge of the rim.</summary>
    public const string RimRadius = "rimRadius";

    /// <summary>Gap between a square and the rim's top.</summary>
    public const string CamberSquare = "camberSquare";

    /// <summary>Between the tyres' front edges.</summary>
    public const string ToeFront = "toeFront";

    /// <summary>Between the tyres' rear edges.</summary>
    public const string ToeRear = "toeRear";

    /// <summary>Body end of the panhard rod above the floor.</summary>
    public const string PanhardBody = "panhardBodyEnd";

    /// <summary>Axle end of the panhard rod above the floor.</summary>
    public const string PanhardAxle = "panhardAxleEnd";

    /// <summary>Sideways run of the panhard rod.</summary>
    public const string PanhardRun = "panhardRun";

    /// <summary>Tyre beyond the body, sideways.</summary>
    public const string Overhang = "overhang";

    /// <summary>Angle of the sill.</summary>
    public const string BodyAngle = "bodyAngle";

    /// <summary>Height of the lamp's cut-off on a wall.</summary>
    public const string LampCutOff = "lampCutOff";

    /// <summary>Gap at the bump stop.</summary>
    public const string BumpStopGap = "bumpStopGap";

    /// <summary>Slack of the brake hose at full droop.</summary>
    public const string HoseSlack = "hoseSlack";

    /// <summary>Length of the shock at ride height.</summary>
    public const string ShockLength = "shockLength";

    /// <summary>Angle of the axle's pinion.</summary>
    public const string PinionAngle = "pinionAngle";

    /// <summary>Angle of the propshaft.</summary>
    public const string ShaftAngle = "shaftAngle";

    /// <summary>Slope of an anti-roll bar's arm.</summary>
    public const string BarArmSlope = "barArmSlope";

    /// <summary>Slope of a drag link.</summary>
    public const string DragLinkSlope = "dragLinkSlope";

    /// <summary>Slope of a half-shaft between its joints.</summary>
    public const string HalfShaftSlope = "halfShaftSlope";

    /// <summary>Caster.</summary>
    public const string Caster = "caster";

    /// <summary>Least gap from a tyre to the fender while it turns to its lock.</summary>
    public const string FenderAtLock = "fenderAtLock";

    /// <summary>Camber by rack or gauge.</summary>
    public const string CamberAngle = "camberAngle";

    /// <summary>Toe of a wheel by rack or gauge.</summary>
    public const string ToeAngle = "toeAngle";

    /// <summary>Caster as an alignment left it.</summary>
    public const string CasterSet = "casterSet";

    /// <summary>Camber as an alignment left it.</summary>
    public const string CamberSet = "camberSet";

    /// <summary>Toe of a wheel as an alignment left it.</summary>
    public const string ToeSet = "toeSet";

    /// <summary>What a wheel's scale shows.</summary>
    public const string WheelWeight = "wheelWeight";
}
