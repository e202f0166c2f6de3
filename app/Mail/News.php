<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** A plain mail of a few lines. */
final class News extends Mailable
{
    /** @param  list<string>  $lines */
    public function __construct(private readonly string $about, private readonly array $lines)
    {
    }

    /**
     * What leads somebody in: in the stand-in mailbox only the owner reads it.
     *
     * @param  list<string>  $lines
     */
    public static function secret(string $about, array $lines): self
    {
        $news = new self($about, $lines);
        $news->metadata(StandInMailbox::SECRET, 'yes');

        return $news;
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: $this->about);
    }

    public function content(): Content
    {
        return new Content(text: 'news', with: ['lines' => $this->lines]);
    }
}
