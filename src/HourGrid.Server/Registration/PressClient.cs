using HourGrid.Server.Registrar;

namespace HourGrid.Server.Registration;

/// <summary>
/// The registrar's service for what is pressed: with all the patience of somebody who wants to know, since whoever looks at
/// it does not wait for it.
/// </summary>
internal sealed class PressClient(HttpClient http)
{
    public RegistrarClient Registrar { get; } = new(http);
}
