namespace JauntyBadge.Core.Wearing;

/// <summary>What a dog has an appointment for.</summary>
public enum AppointmentKind
{
    Clinic,
    Groomer,
    Ferry,
    Visitors,
    Other,
}

/// <summary>What is taken of an appointment until the fitter says otherwise.</summary>
public static class Appointments
{
    /// <summary>What it is to most dogs (House): clinic and groomer are stressful, the rest is ordinary.</summary>
    public static Occasion Usual(AppointmentKind kind) => kind is AppointmentKind.Clinic or AppointmentKind.Groomer ? Occasion.Stressful : Occasion.Ordinary;
}
