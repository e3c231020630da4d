#include "reader/protocol.h"

#include <sys/socket.h>

#include <cstring>

namespace irenic {

namespace {

struct Ancillary {
    alignas(cmsghdr) char bytes[CMSG_SPACE(sizeof(int))] = {};
};

} // namespace

bool sendMessage(int socket, const void* bytes, std::size_t count, int descriptor) {
    iovec part{const_cast<void*>(bytes), count};
    msghdr message{};
    message.msg_iov = &part, message.msg_iovlen = 1;
    Ancillary ancillary;
    if (descriptor >= 0) {
        message.msg_control = ancillary.bytes, message.msg_controllen = sizeof ancillary.bytes;
        cmsghdr* head = CMSG_FIRSTHDR(&message);
        head->cmsg_level = SOL_SOCKET, head->cmsg_type = SCM_RIGHTS,
        head->cmsg_len = CMSG_LEN(sizeof descriptor);
        std::memcpy(CMSG_DATA(head), &descriptor, sizeof descriptor);
    }
    return sendmsg(socket, &message, MSG_NOSIGNAL) >= 0;
}

long receiveMessage(int socket, void* bytes, std::size_t room, int flags, int& descriptor) {
    iovec part{bytes, room};
    msghdr message{};
    message.msg_iov = &part, message.msg_iovlen = 1;
    Ancillary ancillary;
    message.msg_control = ancillary.bytes, message.msg_controllen = sizeof ancillary.bytes;
    descriptor = -1;
    const ssize_t count = recvmsg(socket, &message, flags | MSG_CMSG_CLOEXEC);
    for (cmsghdr* head = CMSG_FIRSTHDR(&message); count >= 0 && head; head = CMSG_NXTHDR(&message, head))
        if (head->cmsg_level == SOL_SOCKET && head->cmsg_type == SCM_RIGHTS &&
            head->cmsg_len == CMSG_LEN(sizeof descriptor))
            std::memcpy(&descriptor, CMSG_DATA(head), sizeof descriptor);
    return count;
}

} // namespace irenic
