<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\Letter;
use LogicException;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Message;
use Symfony\Component\Mime\MessageConverter;

/** A way for mail that ends in a table of the shop: it can be read on a page of its own, and nothing leaves. */
final class StandInMailbox extends AbstractTransport
{
    /** By what a mail says that it leads somebody in. */
    public const SECRET = 'secret';

    protected function doSend(SentMessage $message): void
    {
        $original = $message->getOriginalMessage();
        $mail = $original instanceof Message ? MessageConverter::toEmail($original) : throw new LogicException('Only mail that was written here is kept.');
        Letter::keep([
            'to' => mb_substr(implode(', ', array_map(static fn (Address $to): string => $to->getAddress(), $mail->getTo())), 0, 200),
            'subject' => mb_substr((string) $mail->getSubject(), 0, 200),
            'words' => (string) $mail->getTextBody(),
            'secret' => $mail->getHeaders()->has('X-Metadata-'.self::SECRET),
        ]);
    }

    public function __toString(): string
    {
        return 'stand-in';
    }
}
