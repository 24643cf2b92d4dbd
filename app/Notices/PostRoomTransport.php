<?php

declare(strict_types=1);

namespace App\Notices;

use App\Models\Letter;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\MessageConverter;

/** Keeps outgoing mail in the database instead of sending it. */
final class PostRoomTransport extends AbstractTransport
{
    /** The links in them work no longer than this. */
    private const KEPT_DAYS = 14;

    public function __toString(): string
    {
        return 'post-room';
    }

    protected function doSend(SentMessage $message): void
    {
        $original = $message->getOriginalMessage();
        if (! ($original instanceof \Symfony\Component\Mime\Message)) {
            throw new \LogicException('The post room takes composed messages only.');
        }
        $email = MessageConverter::toEmail($original);
        Letter::query()->where('created_at', '<', now()->subDays(self::KEPT_DAYS))->delete();
        foreach ($message->getEnvelope()->getRecipients() as $recipient) {
            Letter::query()->create([
                'recipient' => $recipient->getAddress(),
                'subject' => (string) $email->getSubject(),
                'body' => (string) $email->getTextBody(),
            ]);
        }
    }
}
