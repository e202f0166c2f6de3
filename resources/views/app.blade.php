<!DOCTYPE html>
<html lang="{{ $language }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Neat Edge</title>
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    @if ($words !== null)
        {{-- Before the page's own script, which says its first sentences while it is read. --}}
        <script src="{{ $words }}"></script>
    @endif
    @vite($entry)
</head>
<body>
    <div id="app"></div>
    <!-- Dialogs, menus and lists lie over the page, in a part of their own. -->
    <section id="over" aria-label="Dialogs and menus"></section>
    <noscript>{{ $needs }}</noscript>
</body>
</html>
