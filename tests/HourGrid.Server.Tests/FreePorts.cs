using System.Net;
using System.Net.Sockets;

namespace HourGrid.Server.Tests;

/// <summary>
/// Ports for servers that begin later, or again. They lie below those that the system gives to connections, or one of these
/// might have a port by the time it is needed.
/// </summary>
internal static class FreePorts
{
    /// <summary>Each process of tests begins somewhere else.</summary>
    private static int last = 20_000 + Environment.ProcessId % 100 * 100;

    public static int Next()
    {
        while (true)
        {
            var port = Interlocked.Increment(ref last);
            try
            {
                using var listener = new TcpListener(IPAddress.Loopback, port);
                listener.Start();
                return port;
            }
            catch (SocketException)
            {
                // Somebody has it: the next one.
            }
        }
    }
}
