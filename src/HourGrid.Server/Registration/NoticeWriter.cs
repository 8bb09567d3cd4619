using HourGrid.Data;
using HourGrid.Data.Registration;
using HourGrid.Server.Mail;
using HourGrid.Server.Wording;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Registration;

/// <summary>Writes down what somebody is told: in the page, and by a mail where an address is known.</summary>
internal static class NoticeWriter
{
    /// <summary>Adds it to what is saved next.</summary>
    public static async Task AddAsync(HourGridContext database, NoticeRow notice, CancellationToken cancellation)
    {
        database.Notices.Add(notice);
        var mail = await database
            .People.Where(row => row.Number == notice.Person)
            .Select(row => row.Mail)
            .SingleOrDefaultAsync(cancellation);
        if (mail is { Length: > 0 })
            database.OutgoingMails.Add(
                Outbox.Mail(mail, NoticeWords.SubjectOf(notice.Kind), notice.Sentence, notice.AtUtc)
            );
    }
}
